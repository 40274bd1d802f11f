import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { reactRouter } from '@react-router/dev/vite'
import tailwindcss from '@tailwindcss/vite'
import { defineConfig } from 'vite'
import { sharedChunks } from './vite.chunks.ts'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/** Tells one build from another: by all that the pages are made of. */
function buildId(): string {
  const hash = createHash('sha256')
  for (const top of ['app', 'core', 'server'])
    for (const name of readdirSync(here(`./${top}`), { recursive: true, encoding: 'utf8' }).sort())
      if (/\.(tsx?|css|sql)$/.test(name)) hash.update(name).update(readFileSync(here(`./${top}/${name}`)))
  return hash.digest('hex').slice(0, 12)
}

export default defineConfig({
  define: { __BUILD__: JSON.stringify(buildId()) },
  plugins: [tailwindcss(), reactRouter()],
  // A package that is bundled brings what is used of it: the server's start would read all of each, half a second of it.
  ssr: { noExternal: [/^(@?radix-ui|@dnd-kit|@conform-to|d3-|react-remove-scroll|lucide-react|zod)/] },
  environments: {
    client: { build: { rolldownOptions: { output: { codeSplitting: { groups: sharedChunks } } } } },
  },
  resolve: { alias: { '~core': here('./core'), '~server': here('./server'), '~': here('./app') } },
})
