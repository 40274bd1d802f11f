import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { defineConfig, type Plugin } from 'vite'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/** The page and its script as one file, which needs nothing beside it. */
const oneFile: Plugin = {
  name: 'one-file',
  generateBundle(_options, bundle) {
    for (const [name, part] of Object.entries(bundle)) {
      if (part.type !== 'chunk') continue
      delete bundle[name]
      const script = part.code.replaceAll('</script', '<\\/script')
      this.emitFile({
        type: 'asset',
        fileName: 'verify.html',
        source: readFileSync(here('./verify/page.html'), 'utf8').replace('__SCRIPT__', () => script),
      })
    }
  },
}

export default defineConfig({
  publicDir: false,
  plugins: [oneFile],
  resolve: { alias: { '~core': here('./core') } },
  build: {
    outDir: 'build/verify',
    lib: { entry: here('./verify/page.ts'), formats: ['iife'], name: 'verify' },
  },
})
