/** Unit tests: everything beside the sources; packages that are published as ES modules only are transformed too. */
const esmPackages = [
  'clipper2-ts',
  'flatbush',
  'react-hotkeys-hook',
  'flatqueue',
  'culori',
  'client-zip',
  'p-queue',
  'eventemitter3',
  'p-timeout',
  'polylabel',
  'tinyqueue',
  'svgpath',
  '@xmldom',
  'jsondiffpatch',
  '@dmsnell',
  '@sindresorhus',
  'escape-string-regexp',
  'webdav',
  '@buttercup',
  '@nodable',
  'hot-patcher',
  'layerr',
  'url-join',
  'node-fetch',
  'data-uri-to-buffer',
  'fetch-blob',
  'formdata-polyfill',
  'path-posix',
  'byte-length',
  'p-retry',
  'is-network-error',
];

const config = {
  testEnvironment: 'node',
  testMatch: ['<rootDir>/src/**/*.test.{ts,tsx}', '<rootDir>/demo/**/*.test.ts', '<rootDir>/bench/**/*.test.ts'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  transform: { '\.[cm]?[jt]sx?$': '<rootDir>/scripts/test-transform.cjs' },
  transformIgnorePatterns: [`/node_modules/(?!(?:${esmPackages.join('|')})/)`],
  setupFiles: ['<rootDir>/scripts/test-seed.ts'],
  globalSetup: '<rootDir>/scripts/test-setup.mjs',
  // A limit for what hangs, not for what is slow: machines here are noisy.
  testTimeout: 300_000,
  // Both cores of a small machine: jest leaves one idle by itself.
  maxWorkers: 2,
};

export default config;
