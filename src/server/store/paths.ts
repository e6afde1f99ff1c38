/** Where the files of a workspace lie in its folder. Photos are named by their content, so the same picture is kept once. */
import { join } from 'node:path';
import type { ProxySize } from '../config';

type Kind = 'photos' | 'pictures' | 'proxies';

/** The paths of a workspace's files; nothing says that they exist. */
export type Files = {
  readonly folder: string;
  readonly original: (sha256: string) => string;
  readonly picture: (sha256: string) => string;
  readonly proxy: (sha256: string, size: ProxySize) => string;
  /** The folders of what is kept by content. */
  readonly kept: (kind: Kind) => string;
  readonly arrivals: () => string;
  readonly deliveries: () => string;
  readonly delivery: (id: number) => string;
  readonly database: () => string;
  readonly destinations: () => string;
};

/** The paths of a workspace in a folder. */
export function filesIn(folder: string): Files {
  const within = (...parts: string[]) => join(folder, ...parts);
  const byHash = (kind: Kind, sha256: string, ending = '') => within(kind, sha256.slice(0, 2), sha256 + ending);
  return {
    folder,
    original: (sha256) => byHash('photos', sha256),
    picture: (sha256) => byHash('pictures', sha256, '.png'),
    proxy: (sha256, size) => byHash('proxies', sha256, `-${size}.jpg`),
    kept: (kind) => within(kind),
    arrivals: () => within('arrivals'),
    deliveries: () => within('deliveries'),
    delivery: (id) => within('deliveries', String(id)),
    database: () => within('wobrel.db'),
    destinations: () => within('destinations.json'),
  };
}
