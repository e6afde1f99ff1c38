import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['sharp', '@libsql/client', 'piscina'],
  sassOptions: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] },
  poweredByHeader: false,
  // `npm run types` checks them, once.
  typescript: { ignoreBuildErrors: true },
  headers: async () => [
    {
      source: '/(.*)',
      headers: [
        { key: 'X-Content-Type-Options', value: 'nosniff' },
        { key: 'X-Frame-Options', value: 'DENY' },
        { key: 'Referrer-Policy', value: 'no-referrer' },
        { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
        { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
        { key: 'Permissions-Policy', value: 'camera=(), microphone=(), geolocation=()' },
      ],
    },
    {
      // Pages get theirs with a nonce, in src/proxy.ts.
      source: '/api/(.*)',
      headers: [{ key: 'Content-Security-Policy', value: "default-src 'none'; frame-ancestors 'none'; sandbox" }],
    },
  ],
};

export default config;
