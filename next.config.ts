import type { NextConfig } from 'next';

const config: NextConfig = {
  compiler: { styledComponents: true },
  poweredByHeader: false,
  reactStrictMode: true,
  // Types are a check of their own (`npm run types`); a person who starts Oil Can need not wait for them.
  typescript: { ignoreBuildErrors: true },
  devIndicators: false,
  // The same release of Dexie without its wrapper for mixed module systems.
  turbopack: { resolveAlias: { dexie: 'dexie/dist/modern/dexie.min.mjs' } },
  headers: async () => [
    {
      // On every answer, static files and worker scripts too: pages and workers are only
      // cross-origin isolated (finer clocks) if each of them carries these.
      source: '/:path*',
      headers: [
        { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
        { key: 'Cross-Origin-Embedder-Policy', value: 'require-corp' },
        { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
        { key: 'Referrer-Policy', value: 'no-referrer' },
        { key: 'X-Content-Type-Options', value: 'nosniff' },
      ],
    },
  ],
};

export default config;
