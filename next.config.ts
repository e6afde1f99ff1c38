import type { NextConfig } from 'next';
import { ANSWER_HEADERS } from './src/server/http/security';

const config: NextConfig = {
  serverExternalPackages: ['libheif-js', 'sharp', '@libsql/client', 'piscina'],
  sassOptions: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] },
  poweredByHeader: false,
  // `npm run types` checks them, once.
  typescript: { ignoreBuildErrors: true },
  headers: async () => [
    {
      source: '/(.*)',
      headers: Object.entries(ANSWER_HEADERS).map(([key, value]) => ({ key, value })),
    },
    {
      // Pages get theirs with a nonce, in src/proxy.ts.
      source: '/api/(.*)',
      headers: [{ key: 'Content-Security-Policy', value: "default-src 'none'; frame-ancestors 'none'; sandbox" }],
    },
  ],
};

export default config;
