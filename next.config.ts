import type { NextConfig } from 'next';

const development = process.env.NODE_ENV === 'development';

/** Everything comes from this server; styles are inline where React sets them, scripts where Next starts up. */
const policy = [
  "default-src 'self'",
  `script-src 'self' 'unsafe-inline'${development ? " 'unsafe-eval'" : ''}`,
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "font-src 'self'",
  "worker-src 'self' blob:",
  "connect-src 'self'",
  "object-src 'none'",
  "base-uri 'none'",
  "frame-ancestors 'none'",
].join('; ');

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // Types are checked by `npm test` for all that there is, which takes a build no time.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['better-sqlite3', 'knex', '@resvg/resvg-js', 'sharp', 'piscina'],
  turbopack: { root: import.meta.dirname },
  headers: () =>
    Promise.resolve([
      {
        source: '/:path*',
        headers: [
          { key: 'Content-Security-Policy', value: policy },
          { key: 'X-Content-Type-Options', value: 'nosniff' },
          { key: 'Referrer-Policy', value: 'same-origin' },
        ],
      },
    ]),
};

export default config;
