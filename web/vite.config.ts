import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import { compressed } from './compressed.ts'

export default defineConfig({
  plugins: [
    vue(),
    compressed(),
    VitePWA({
      // A new version is told, and taken when somebody says so: never in the middle of a run.
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Tadka',
        short_name: 'Tadka',
        start_url: '/shift',
        display: 'standalone',
        background_color: '#f6f1e7',
        theme_color: '#f6f1e7',
        icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2,wasm}'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        cleanupOutdatedCaches: true,
        // The page that was open when it came is served by it too, not only after a reload; a newer one waits to be taken.
        clientsClaim: true,
        inlineWorkboxRuntime: true,
      },
    }),
  ],
  define: {
    __VUE_OPTIONS_API__: 'false',
    __VUE_I18N_LEGACY_API__: 'false',
    __VUE_I18N_FULL_INSTALL__: 'false',
  },
  // One sheet of styles: a part of it that does not come through on patchy Wi-Fi is not asked for again, and a place would stand there bare.
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 700,
    cssCodeSplit: false,
    rolldownOptions: {
      output: {
        chunkFileNames: ({ name }) => `assets/${name.startsWith('shared') ? 'shared' : '[name]'}-[hash].js`,
        // Pieces that many places share come in fewer, larger files: each file is a way there and back on patchy Wi-Fi.
        codeSplitting: {
          groups: [
            {
              name: 'shared',
              // A place is a file of its own.
              test: (id) => !id.endsWith('Place.vue'),
              ...{ minShareCount: 2, entriesAware: true, entriesAwareMergeThreshold: 3_000 },
            },
          ],
        },
      },
    },
  },
  server: {
    port: 5173,
    proxy: { '/api': { target: process.env['TADKA_API'] ?? 'http://127.0.0.1:4180' } },
  },
})
