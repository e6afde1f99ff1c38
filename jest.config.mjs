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
];

const swc = ({ tsx }) => [
  '@swc/jest',
  {
    jsc: { parser: { syntax: 'typescript', tsx }, target: 'es2022', transform: { react: { runtime: 'automatic' } } },
    module: { type: 'commonjs' },
  },
];

const config = {
  testEnvironment: 'node',
  testMatch: ['<rootDir>/src/**/*.test.{ts,tsx}', '<rootDir>/demo/**/*.test.ts', '<rootDir>/bench/**/*.test.ts'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  transform: { '\\.tsx$': swc({ tsx: true }), '\\.[cm]?[jt]s$': swc({ tsx: false }) },
  transformIgnorePatterns: [`/node_modules/(?!(?:${esmPackages.join('|')})/)`],
  setupFiles: ['<rootDir>/scripts/test-seed.ts'],
  globalSetup: '<rootDir>/scripts/test-setup.mjs',
  testTimeout: 60_000,
  // Both cores of a small machine: jest leaves one idle by itself.
  maxWorkers: 2,
};

export default config;
