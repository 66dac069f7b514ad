import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // Types are checked by `npm test` for all that there is, which takes a build no time.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['better-sqlite3', 'knex', '@resvg/resvg-js', 'sharp', 'workerpool'],
  // Written in longer than it saves: a build without it takes two thirds of the time, and one after another is no slower.
  experimental: { turbopackFileSystemCacheForBuild: false },
  turbopack: { root: import.meta.dirname },
  headers: () =>
    Promise.resolve([
      {
        source: '/api/:path*',
        headers: [
          { key: 'Content-Security-Policy', value: "default-src 'none'; frame-ancestors 'none'; sandbox" },
        ],
      },
      {
        source: '/:path*',
        headers: [
          // Pages get one that lets them run their own scripts (src/proxy.ts); what is no page runs nothing.
          { key: 'X-Content-Type-Options', value: 'nosniff' },
          { key: 'Referrer-Policy', value: 'same-origin' },
        ],
      },
    ]),
};

export default config;
