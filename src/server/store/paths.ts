/** Where files lie in the data folder. Photos are named by their content, so the same picture is kept once. */
import { join } from 'node:path';
import { dataFolder, type ProxySize } from '../config';

const byHash = (kind: 'photos' | 'pictures' | 'proxies', sha256: string, ending = '') =>
  join(keptFolder(kind), sha256.slice(0, 2), sha256 + ending);

export const originalPath = (sha256: string) => byHash('photos', sha256);
export const picturePath = (sha256: string) => byHash('pictures', sha256, '.png');
export const proxyPath = (sha256: string, size: ProxySize) => byHash('proxies', sha256, `-${size}.jpg`);
/** The folders of what is kept by content. */
export const keptFolder = (kind: 'photos' | 'pictures' | 'proxies') => join(dataFolder(), kind);
export const arrivalsFolder = () => join(dataFolder(), 'arrivals');
export const deliveriesFolder = () => join(dataFolder(), 'deliveries');
export const deliveryFolder = (id: number) => join(deliveriesFolder(), String(id));
export const databasePath = () => join(dataFolder(), 'wobrel.db');
export const destinationsPath = () => join(dataFolder(), 'destinations.json');
