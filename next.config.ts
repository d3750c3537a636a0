import path from 'node:path'
import type { NextConfig } from 'next'

const config: NextConfig = {
  turbopack: { root: path.resolve() },
  serverExternalPackages: [
    'better-sqlite3',
    'sharp',
    'subset-font',
    'fontkit',
    'lightningcss',
    'ssh2',
    'basic-ftp',
    'acme-client',
    'isomorphic-dompurify',
    'svgo',
    'css-tree',
    'file-type',
    '@node-rs/argon2',
  ],
  // Nobody reads maps of the server's code, and making them, and making it small, takes longer than the rest of the build.
  experimental: { turbopackFileSystemCacheForBuild: false, turbopackSourceMaps: false, serverSourceMaps: false, serverMinification: false },
  devIndicators: false,
  poweredByHeader: false,
  typescript: { ignoreBuildErrors: true },
  headers: async () => [
    {
      source: '/((?!home-sheet/|media/).*)',
      headers: [
        { key: 'x-content-type-options', value: 'nosniff' },
        { key: 'referrer-policy', value: 'same-origin' },
        { key: 'x-frame-options', value: 'SAMEORIGIN' },
      ],
    },
  ],
}

export default config
