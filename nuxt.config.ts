import { cp } from 'node:fs/promises'
import { fileURLToPath } from 'node:url'

const inProject = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/**
 * The server's own entry, its answers to errors and what is copied beside it. Nuxt's types leave these out; the server
 * kit takes them.
 */
const server = {
  entry: inProject('./server/entry.ts'),
  errorHandler: inProject('./server/problemHandler.ts'),
  compressPublicAssets: true,
  externals: { inline: ['nitropack'] },
  esbuild: { options: { target: 'es2022' } },
  hooks: {
    async compiled(nitro: { options: { output: { serverDir: string } } }) {
      await cp(inProject('./server/store/migrations'), `${nitro.options.output.serverDir}/migrations`, {
        recursive: true,
      })
    },
  },
}

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
