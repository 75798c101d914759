import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [vue()],
  define: {
    __VUE_OPTIONS_API__: 'false',
    __VUE_I18N_LEGACY_API__: 'false',
    __VUE_I18N_FULL_INSTALL__: 'false',
  },
  build: { target: 'es2022', chunkSizeWarningLimit: 700 },
  server: {
    port: 5173,
    proxy: { '/api': { target: process.env['TADKA_API'] ?? 'http://127.0.0.1:4180' } },
  },
})
