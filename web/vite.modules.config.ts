import { defineConfig } from 'vite'

// The modules that the Go tests load in the browser; nothing of this is shipped.
export default defineConfig({
  define: { 'process.env.NODE_ENV': JSON.stringify('production') },
  build: {
    target: 'es2022',
    outDir: 'modules',
    copyPublicDir: false,
    lib: { entry: 'src/modules.ts', formats: ['es'], fileName: () => 'modules.js' },
  },
})
