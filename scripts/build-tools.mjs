/** Bundles what runs outside Next.js, the render worker thread and the command line, and lays out the fonts that letters are set in. */
import { build } from 'esbuild';
import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import { layOutDetector } from './detector.mjs';
import { layOutFaces } from './faces.mjs';
import { layOutSalience } from './salience.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));

/** Fonts by the names that templates give them, with the style they are set in and the scripts they come with; all under the SIL Open Font License. */
const FONTS = {
  'alfa-slab-one': ['@fontsource', '400', ['latin', 'latin-ext', 'vietnamese']],
  fredoka: ['@fontsource', '600', ['latin', 'latin-ext']],
  lobster: ['@fontsource', '400', ['latin', 'latin-ext', 'vietnamese', 'cyrillic', 'cyrillic-ext']],
  'atkinson-hyperlegible-next': ['@fontsource-variable', 'wght', ['latin', 'latin-ext']],
};

function layOutFonts() {
  for (const [name, [scope, style, scripts]] of Object.entries(FONTS)) {
    mkdirSync(`${root}public/fonts/${name}`, { recursive: true });
    for (const script of scripts)
      copyFileSync(
        `${root}node_modules/${scope}/${name}/files/${name}-${script}-${style}-normal.woff2`,
        `${root}public/fonts/${name}/${script}.woff2`,
      );
  }
}

/** Of the messages that Zod has in forty languages only the English ones. */
const englishOnly = {
  name: 'english-only',
  setup: ({ onLoad }) =>
    onLoad({ filter: /zod[\\/]v4[\\/]locales[\\/]index\.js$/ }, () => ({
      contents: "export { default as en } from './en.js';",
    })),
};

/** Packages with native parts, or that look for their own files: these stay where they are. */
const EXTERNAL = ['next', '@img/*', 'libheif-js', 'onnxruntime-node', 'opencv-wasm', 'piscina'];

/** A template that has some of everything, for the run that warms the command line. */
const FIRST = {
  wobrel: 1,
  name: 'First',
  borders: [{ width: 16, align: 'inside', paint: '#24594f' }],
  shadows: [{ x: 0, y: 12, blur: 24, opacity: 0.35 }],
  outputs: [
    { name: 'png', format: 'png', width: 300 },
    { name: 'jpeg', format: 'jpeg', width: 150, matte: '#ffffff' },
  ],
};

const options = {
  absWorkingDir: root,
  outdir: 'dist',
  bundle: true,
  minify: true,
  platform: 'node',
  target: 'node20',
  external: EXTERNAL,
  plugins: [englishOnly],
  sourcemap: 'linked',
  logLevel: 'warning',
};

/** What stays up, in few files. */
const buildServer = () =>
  build({
    ...options,
    entryPoints: {
      'render-worker': 'src/server/render/worker.ts',
      'sight-worker': 'src/server/sight/worker.ts',
      'geometry-worker': 'src/server/geometry/worker.ts',
      'heic-worker': 'src/server/heic/worker.ts',
      serve: 'src/serve.ts',
      people: 'src/people.ts',
      'stand-ins': 'src/stand-ins/index.ts',
    },
    outExtension: { '.js': '.mjs' },
    splitting: true,
    format: 'esm',
    // Packages of the older kind ask for Node's own modules by name.
    banner: {
      js: "import { createRequire as __createRequire } from 'node:module'; const require = __createRequire(import.meta.url);",
    },
  });

/** The command line in one file, and what V8 compiles of it for a first photo (see bin/compiled.cjs). */
async function buildCli() {
  rmSync(`${root}dist/wobrel.compiled`, { force: true });
  await build({
    ...options,
    entryPoints: { wobrel: 'src/cli/index.ts' },
    outExtension: { '.js': '.cjs' },
    format: 'cjs',
    // Of packages outside, too, by require: a script run by hand imports nothing.
    supported: { 'dynamic-import': false },
    define: { 'import.meta.url': '__url' },
    banner: { js: "const __url = require('node:url').pathToFileURL(__filename).href;" },
  });
  const folder = mkdtempSync(join(tmpdir(), 'wobrel-'));
  try {
    await sharp({ create: { width: 300, height: 200, channels: 3, background: '#c9c9c9' } }).jpeg().toFile(join(folder, 'photo.jpg')); // prettier-ignore
    writeFileSync(join(folder, 'template.json'), JSON.stringify(FIRST));
    const args = ['render', '--template', join(folder, 'template.json'), '--out', join(folder, 'out'), folder];
    execFileSync(process.execPath, [`${root}bin/wobrel.mjs`, ...args], { env: { ...process.env, WOBREL_COMPILE: '1' } }); // prettier-ignore
  } finally {
    rmSync(folder, { recursive: true });
  }
}

export async function buildTools() {
  layOutFonts();
  mkdirSync(`${root}dist`, { recursive: true });
  layOutDetector(`${root}dist/detector.onnx`);
  layOutSalience(`${root}dist/salience.onnx`);
  layOutFaces(`${root}dist`);
  await Promise.all([buildServer(), buildCli()]);
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await buildTools();
