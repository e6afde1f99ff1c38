/** Packs the built pages' scripts and styles once, with Brotli (RFC 7932), so that the server needn't for every browser. */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { brotliCompressSync, constants } from 'node:zlib';

const folder = fileURLToPath(new URL('../.next/static/', import.meta.url));
/** Of 11, which takes ten times as long and saves 7 % more. */
const QUALITY = 9;

for (const name of readdirSync(folder, { recursive: true })) {
  if (!/\.(js|css)$/.test(name)) continue;
  const content = readFileSync(folder + name);
  writeFileSync(`${folder}${name}.br`, brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: QUALITY } })); // prettier-ignore
}
