import { existsSync } from 'node:fs'
import { cp } from 'node:fs/promises'
import { fileURLToPath } from 'node:url'
import type { ModuleOptions } from '@vite-pwa/nuxt'

const inProject = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/**
 * The server's own entry, its answers to errors and what is copied beside it. Nuxt's types leave these out; the server
 * kit takes them.
 */
const server = {
  entry: inProject('./server/entry.ts'),
  errorHandler: inProject('./server/problemHandler.ts'),
  compressPublicAssets: { gzip: true, brotli: false },
  externals: { inline: ['nitropack'] },
  esbuild: { options: { target: 'es2022' } },
  hooks: {
    async compiled(nitro: { options: { output: { serverDir: string } } }) {
      await cp(inProject('./server/database/migrations'), `${nitro.options.output.serverDir}/migrations`, {
        recursive: true,
      })
    },
  },
}

/**
 * On the home screen, and without a network what was opened last: pages and data from the network first, then as they
 * were; scripts, styles and fonts, whose names change with what is in them, as they are. Nothing is fetched ahead.
 */
const LAST_SEEN = {
  handler: 'NetworkFirst',
  // Another name when the answers take another shape: what an earlier build left is not read then.
  options: { cacheName: 'last-seen-2', networkTimeoutSeconds: 8, expiration: { maxEntries: 200 } },
} as const
const offline = {
  injectRegister: null,
  registerType: 'autoUpdate',
  client: { registerPlugin: false },
  manifest: {
    name: 'Jaw Tilt',
    short_name: 'Jaw Tilt',
    description: 'The true edge angle of a blade in a guided sharpening rig.',
    start_url: '/',
    display: 'standalone',
    background_color: '#efeae2',
    theme_color: '#efeae2',
    icons: [192, 512].map((size) => ({
      src: `/icon-${size}.png`,
      sizes: `${size}x${size}`,
      type: 'image/png',
      purpose: 'any maskable',
    })),
  },
  workbox: {
    globPatterns: [],
    navigateFallback: undefined,
    clientsClaim: true,
    skipWaiting: true,
    runtimeCaching: [
      { urlPattern: ({ url, sameOrigin }) => sameOrigin && !/\.|^\/(api|_nuxt)\//.test(url.pathname), ...LAST_SEEN },
      {
        urlPattern: ({ url }) => url.pathname.startsWith('/api/') && !/\/(health|changes)$/.test(url.pathname),
        ...LAST_SEEN,
      },
      {
        urlPattern: ({ url }) => url.pathname.startsWith('/_nuxt/'),
        handler: 'CacheFirst',
        options: { cacheName: 'built', expiration: { maxEntries: 500 } },
      },
      { urlPattern: ({ url }) => /\.(svg|png|webmanifest)$/.test(url.pathname), handler: 'StaleWhileRevalidate' },
    ],
  },
} satisfies ModuleOptions

export default defineNuxtConfig({
  compatibilityDate: '2026-05-01',
  // A tool at one bench: the screen is drawn where the work is, the server only keeps.
  ssr: false,
  telemetry: { enabled: false },
  sourcemap: false,
  // A build by bin/ has a folder of its own: what lint and types read stays as it is.
  buildDir: process.env.JAW_TILT_BUILD_FOLDER ?? '.nuxt',
  devtools: { enabled: false },
  modules: [
    '@nuxt/ui',
    '@pinia/nuxt',
    '@vueuse/nuxt',
    '@vite-pwa/nuxt',
    // Not where only what running needs is installed.
    ...(existsSync(inProject('./node_modules/@nuxt/eslint')) ? ['@nuxt/eslint'] : []),
  ],
  css: ['~/assets/main.css'],
  alias: { '#core': inProject('./core') },
  app: {
    head: {
      title: 'Jaw Tilt',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'description', content: 'The true edge angle of a blade in a guided sharpening rig.' },
      ],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/favicon.svg' },
        { rel: 'manifest', href: '/manifest.webmanifest' },
        { rel: 'apple-touch-icon', href: '/icon-192.png' },
      ],
      // Schemas are read as they are: to try whether they may be compiled is a breach of the page's content policy.
      script: [{ innerHTML: 'globalThis.__zod_globalConfig={jitless:true}' }],
    },
  },
  components: [
    'controls',
    'drawing',
    'forms',
    'home',
    'jobPage',
    'owners',
    'photographs',
    'preferences',
    'print',
    'shelf',
    'shell',
    'stations',
  ].map((folder) => ({ path: `~/${folder}`, pathPrefix: false, extensions: ['vue'] })),
  // What a file uses it imports by name; only components, and what Nuxt itself brings, are there without.
  imports: { scan: false },
  // Fonts and icons ship with the application: nothing is asked of any other host.
  // Only the colours that are used, so that no page carries the others' classes.
  ui: { fonts: false, theme: { colors: ['primary', 'error'] } },
  icon: {
    provider: 'none',
    fallbackToApi: false,
    clientBundle: {
      scan: { globInclude: ['app/**/*.{vue,ts}'] },
      sizeLimitKb: 512,
      icons: [
        // Those that the interface kit's own controls use; the scan does not see them.
        'lucide:check',
        'lucide:chevron-down',
        'lucide:chevron-right',
        'lucide:minus',
        'lucide:plus',
        'lucide:x',
        'lucide:search',
        'lucide:loader-circle',
        'lucide:arrow-left',
      ],
    },
  },
  colorMode: { preference: 'system', fallback: 'light', storageKey: 'jaw-tilt-theme' },
  pwa: offline,
  // Nothing is fetched ahead of the hand: a page asks for what it shows.
  experimental: { appManifest: false, renderJsonPayloads: false, defaults: { nuxtLink: { prefetch: false } } },
  hooks: {
    'build:manifest': (manifest) => {
      for (const file of Object.values(manifest)) file.prefetch = false
    },
  },
  // Crumbs of script are joined to what they are loaded with; the types leave this option out.
  vite: { build: { rollupOptions: { output: { experimentalMinChunkSize: 6000 } as object } } },
  nitro: server as object,
  typescript: { strict: true, tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } } },
  eslint: { config: { stylistic: false } },
})
