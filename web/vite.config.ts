import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { packed } from './pack.ts'

export default defineConfig({
  plugins: [vue(), packed()],
  build: {
    target: 'es2022',
    assetsInlineLimit: 0, // fonts stay files, so that they are cached and the page stays small
    emptyOutDir: false, // the folder keeps its .gitkeep; the Makefile empties it
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8580' } },
})
