import { fileURLToPath } from 'node:url'

const inProject = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineNuxtConfig({
  compatibilityDate: '2026-05-01',
  // A tool at one bench: the screen is drawn where the work is, the server only keeps.
  ssr: false,
  telemetry: { enabled: false },
  devtools: { enabled: false },
  modules: ['@nuxt/ui', '@pinia/nuxt', '@vueuse/nuxt', '@nuxt/eslint'],
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
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/favicon.svg' }],
    },
  },
  components: [{ path: '~/components', pathPrefix: false }],
  // Fonts and icons ship with the application: nothing is asked of any other host.
  ui: { fonts: false },
  icon: {
    provider: 'none',
    fallbackToApi: false,
    clientBundle: { scan: true, includeCustomCollections: true, sizeLimitKb: 512, icons: [
      // Those that the interface kit's own controls use.
      'lucide:check', 'lucide:chevron-down', 'lucide:chevron-up', 'lucide:chevron-left', 'lucide:chevron-right',
      'lucide:chevrons-left', 'lucide:chevrons-right', 'lucide:minus', 'lucide:plus', 'lucide:x', 'lucide:search',
      'lucide:loader-circle', 'lucide:arrow-up', 'lucide:arrow-down', 'lucide:arrow-left', 'lucide:arrow-right',
      'lucide:circle-alert', 'lucide:circle-check', 'lucide:circle-x', 'lucide:info', 'lucide:triangle-alert',
      'lucide:ellipsis', 'lucide:sun', 'lucide:moon', 'lucide:monitor', 'lucide:hash', 'lucide:external-link', 'lucide:arrow-up-right',
    ] },
  },
  colorMode: { preference: 'system', fallback: 'light', storageKey: 'jaw-tilt-theme' },
  experimental: { appManifest: false },
  vite: { optimizeDeps: { include: ['zod', 'd3-scale', 'uuid'] } },
  nitro: {
    entry: inProject('./server/entry.ts'),
    externals: { inline: ['nitropack'] },
    esbuild: { options: { target: 'es2022' } },
    errorHandler: inProject('./server/problemHandler.ts'),
    compressPublicAssets: true,
    hooks: {
      async compiled(nitro) {
        const { cp } = await import('node:fs/promises')
        await cp(inProject('./server/store/migrations'), `${nitro.options.output.serverDir}/migrations`, { recursive: true })
      },
    },
  },
  typescript: { strict: true, tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } } },
  eslint: { config: { stylistic: false } },
})
