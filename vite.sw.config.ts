import { defineConfig } from 'vite'

/** The service worker stands beside the page, not among its pieces: its place decides how far it reaches. */
export default defineConfig({
  publicDir: false,
  define: { 'process.env.NODE_ENV': '"production"' },
  build: {
    outDir: 'public',
    emptyOutDir: false,
    lib: { entry: 'resources/js/sw.ts', formats: ['iife'], name: 'sartal', fileName: () => 'sw.js' },
  },
})
