import type { NextConfig } from 'next'

const SECURITY_HEADERS = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'Referrer-Policy', value: 'same-origin' },
  { key: 'Permissions-Policy', value: 'camera=(), microphone=(), geolocation=()' },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
]

const config: NextConfig = {
  compiler: { styledComponents: true },
  poweredByHeader: false,
  reactStrictMode: true,
  // Above what a route takes itself, so that it is the route that says what is too large.
  experimental: { proxyClientMaxBodySize: '25mb' },
  serverExternalPackages: ['@libsql/client', 'libsql', 'pdfmake'],
  // The migrations are read from disk at start.
  outputFileTracingIncludes: { '/*': ['./src/data/migrations/**/*'] },
  turbopack: { resolveAlias: { 'victory-vendor/d3-scale': './src/ui/chartScales.ts', 'd3-interpolate': './src/ui/chartInterpolation.ts' } },
  typescript: { ignoreBuildErrors: true }, // `npm test` checks types in their own step, core and app apart.
  // Pages get a policy of their own from the proxy; what they fetch may fetch from here and nowhere else.
  headers: async () => [
    { source: '/:path*', headers: SECURITY_HEADERS },
    { source: '/_next/static/:path*', headers: [{ key: 'Content-Security-Policy', value: "default-src 'self'; frame-ancestors 'none'" }] },
  ],
}

export default config
