/**
 * `npm run kernels`: compiles the loops of `kernels/` and writes them down as a module, so that the application is built
 * without their compiler. With `--check` it fails where what is written down is not what they compile to.
 */
import asc from 'assemblyscript/asc';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './run.mjs';

const WRITTEN = join(root, 'src/core/paint/rows-wasm.ts');

async function compiled() {
  const made = new Map();
  const { error, stderr } = await asc.main(
    ['kernels/rows.ts', '-O3', '--noAssert', '--runtime', 'stub', '--enable', 'simd', '--use', 'abort=', '--importMemory', '--outFile', 'rows.wasm'], // prettier-ignore
    {
      readFile: (name, directory) => {
        try {
          return readFileSync(join(root, directory, name), 'utf8');
        } catch {
          return null;
        }
      },
      writeFile: (name, contents) => made.set(name, contents),
      listFiles: () => [],
    },
  );
  if (error) throw new Error(`${error.message}\n${stderr}`);
  return Buffer.from(made.get('rows.wasm')).toString('base64');
}

const text = `/** \`kernels/rows.ts\`, compiled by \`npm run kernels\`. */
export const ROWS_WASM =
  '${await compiled()}';
`;
if (!process.argv.includes('--check')) writeFileSync(WRITTEN, text);
else if (readFileSync(WRITTEN, 'utf8') !== text) {
  console.error('src/core/paint/rows-wasm.ts is not what kernels/ compiles to: run `npm run kernels`.');
  process.exit(1);
}
