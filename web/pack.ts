// Packs the built files once, so that no request waits for it.
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import type { Plugin } from 'vite'

/** Files under this size are not worth packing, bytes. */
const least = 1024

/** Writes FILE.br and FILE.gz beside every script and style of the build. */
export function packed(): Plugin {
  return {
    name: 'packed',
    apply: 'build',
    closeBundle() {
      const dir = 'dist/assets'
      for (const name of readdirSync(dir)) {
        const file = join(dir, name)
        if (!/\.(js|css|svg)$/.test(name) || statSync(file).size < least) continue
        const body = readFileSync(file)
        writeFileSync(file + '.gz', gzipSync(body, { level: 9 }))
        writeFileSync(file + '.br', brotliCompressSync(body, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }))
      }
    },
  }
}
