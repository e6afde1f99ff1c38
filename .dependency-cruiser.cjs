/** The house: data flows down the page, nothing imports from a line above its own (docs/architecture.md). */

/** Packages that compute and touch nothing: all that core may use. */
const PURE =
  '^node_modules/(clipper2-ts|culori|fit-curve|flatbush|fontkit|jsondiffpatch|lru-cache|polylabel|papaparse|svgpath|zod|@sindresorhus/slugify|@xmldom/xmldom)/';

/** Folders with an index.ts: others come in by that door. */
const doors = (folder) => ({
  name: `door-of-${folder.replaceAll('/', '-')}`,
  comment: `from outside, src/${folder}/* is reached through its index.ts of each folder`,
  severity: 'error',
  // A thread's file is put together of other threads' files.
  from: { path: '^src/', pathNot: ['\\.test\\.ts$', `^src/${folder}/`, '^src/cli/work\\.ts$'] },
  to: {
    path: `^src/${folder}/[^/]+/.+`,
    pathNot: [`^src/${folder}/[^/]+/index\\.ts$`, `^src/${folder}/[^/]+/[^/]+/index\\.ts$`],
  },
});

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-pure',
      comment: 'core computes: no DOM, no Node, no React, and only pure packages',
      severity: 'error',
      from: { path: '^src/core/', pathNot: ['\\.test\\.ts$', '^src/core/testing/'] },
      to: { pathNot: ['^src/core/(?!testing/)', PURE] },
    },
    {
      name: 'preview-imports-core',
      severity: 'error',
      from: { path: '^src/preview/' },
      to: { path: '^src/', pathNot: ['^src/(core|preview)/'] },
    },
    {
      name: 'server-imports-core',
      severity: 'error',
      from: { path: '^src/server/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/', pathNot: ['^src/(core|server)/'] },
    },
    {
      name: 'ui-knows-the-server-only-as-types',
      severity: 'error',
      from: { path: '^src/ui/' },
      to: { path: '^src/server/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'app-ties-together',
      comment: 'nothing reaches up into the routes',
      severity: 'error',
      from: { path: '^src/(?!app/)' },
      to: { path: '^src/app/' },
    },
    {
      name: 'the-command-line-needs-no-server',
      comment: 'no database, queue or service behind the command line',
      severity: 'error',
      from: { path: '^src/cli/' },
      to: { path: '^src/(server/(db|jobs|services|http)|ui|app|preview)/' },
    },
    {
      name: 'stand-ins-stand-alone',
      comment: 'they are somebody else’s servers: what they share with ours would prove nothing',
      severity: 'error',
      from: { path: '^src/stand-ins/' },
      to: { path: '^src/(?!stand-ins/)' },
    },
    {
      name: 'nothing-needs-the-stand-ins',
      severity: 'error',
      from: { path: '^src/(?!stand-ins/)', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/stand-ins/' },
    },
    {
      name: 'no-test-code-in-the-product',
      severity: 'error',
      from: { path: '^src/', pathNot: ['\\.test\\.tsx?$', '^src/core/testing/'] },
      to: { path: ['\\.test\\.tsx?$', '^src/core/testing/'] },
    },
    doors('core'),
    doors('server'),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
