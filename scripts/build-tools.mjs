/** Bundles what runs outside Next.js, the render worker thread and the command line, and lays out the fonts that letters are set in. */
import { build } from 'esbuild';
import { copyFileSync, existsSync, mkdirSync } from 'node:fs';
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

export async function buildTools() {
  layOutFonts();
  const entryPoints = {
    'render-worker': 'src/server/render/worker.ts',
    'sight-worker': 'src/server/sight/worker.ts',
    wobrel: 'src/cli/main.ts',
  };
  await build({
    absWorkingDir: root,
    entryPoints: Object.fromEntries(Object.entries(entryPoints).filter(([, file]) => existsSync(root + file))),
    outdir: 'dist',
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    packages: 'external',
    sourcemap: 'linked',
    logLevel: 'warning',
  });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await buildTools();
