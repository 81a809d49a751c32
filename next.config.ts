import type { NextConfig } from 'next';

// Headers that static files need too; the content security policy has a nonce and is made in src/proxy.ts.
const headers = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'Referrer-Policy', value: 'same-origin' },
  { key: 'Permissions-Policy', value: 'camera=(), geolocation=(), payment=(), microphone=(self), midi=(self)' },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
];

const config: NextConfig = {
  // Types are checked by npm test; a start need not do it again.
  typescript: { ignoreBuildErrors: true },
  distDir: process.env.NEXT_DIST_DIR || '.next',
  poweredByHeader: false,
  serverExternalPackages: ['pg', '@node-rs/argon2', 'rate-limiter-flexible', 'playwright-core'],
  // A groove of 128 bars of 32nds in four limbs is 1.3 MB.
  experimental: { serverActions: { bodySizeLimit: '4mb' } },
  redirects: async () => [{ source: '/workshop/hear', destination: '/hear', permanent: false }],
  headers: async () => [{ source: '/:path*', headers }],
};

export default config;
