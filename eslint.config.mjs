import next from 'eslint-config-next/core-web-vitals';
import nextTypes from 'eslint-config-next/typescript';

const config = [
  ...next,
  ...nextTypes,
  {
    ignores: [
      '.next/**',
      'dist/**',
      'dist-demo-*/**',
      '.data/**',
      'next-env.d.ts',
      'test-results/**',
      'playwright-report/**',
      'coverage/**',
      'scratch/**',
    ],
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-console': ['error', { allow: ['error'] }],
      eqeqeq: 'error',
    },
  },
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
  // What is run from a terminal speaks through the console.
  {
    files: ['src/cli/**', 'src/people.ts', 'scripts/**', 'bench/**', 'bin/**', 'e2e/hand.ts'],
    rules: { 'no-console': 'off' },
  },
];
export default config;
