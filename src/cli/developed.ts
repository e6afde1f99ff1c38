/** HEIC photos of a run, developed into files that last as long as it. */
import { randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readable } from '../server/heic';
import type { Engine } from './engine';

export type Developed = {
  /** Where a photo lies that can be worked with. @throws WobrelError as `readable` does */
  readonly of: (path: string) => Promise<string>;
  readonly remove: () => Promise<void>;
};

export function developed({ develop }: Pick<Engine, 'develop'>): Developed {
  let folder: Promise<string> | null = null;
  const place = async () => join(await (folder ??= mkdtemp(join(tmpdir(), 'wobrel-photos-'))), randomUUID());
  return {
    of: (path) => readable(path, place, develop),
    remove: async () => {
      if (folder) await rm(await folder, { recursive: true, force: true });
    },
  };
}
