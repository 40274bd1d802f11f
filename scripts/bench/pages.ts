import { once } from 'node:events'
import { readFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { gzipSync } from 'node:zlib'
import { createElement } from 'react'
import type { ServerBuild } from 'react-router'
import { passingKey } from '~server/db/shop-key.server'
import { createApp } from '~server/http/app'
import type { DemoServer } from '../../test/http/server'
import { line, mediansMs, ms } from './measure'
import { signedInCookie } from './signed-in'

/** The same server, router, root and middleware with one empty route: what any page of this stack costs. */
async function bareServer(db: Parameters<typeof createApp>[0]): Promise<Server> {
  const build = (await import(
    /* @vite-ignore */ pathToFileURL(resolve('build/server/index.js')).href
  )) as ServerBuild
  const root = build.routes.root
  const yard = build.assets.routes['routes/yard/yard']
  if (!root || !yard) throw new Error('the built routes have changed their names')
  const bare: ServerBuild = {
    ...build,
    routes: {
      // Who is there is asked of the database, which a bare page does not have.
      root: { ...root, module: { ...root.module, middleware: [] } },
      bare: {
        id: 'bare',
        parentId: 'root',
        index: true,
        module: { default: () => createElement('p', null, 'bare') },
      },
    },
    assets: {
      ...build.assets,
      routes: {
        root: build.assets.routes.root,
        bare: { ...yard, id: 'bare', parentId: 'root', hasLoader: false },
      },
    },
  }
  return createServer(createApp(db, resolve('build'), new Set(['127.0.0.1']), bare)).listen(0, '127.0.0.1')
}

/** Plate of the demo’s vehicle that is being bled. */
const UNDER_WORK = 'GNT 107'

/** The address of the demo’s job that is being bled. */
async function jobUnderWork({ url }: DemoServer, headers: Record<string, string>): Promise<string> {
  const yard = await (await fetch(`${url}/`, { headers })).text()
  const job = new RegExp(`href="(/jobs/\\w+)"[^>]*>(?:(?!</a>).)*${UNDER_WORK}`, 's').exec(yard)?.[1]
  if (!job) throw new Error(`the demo’s ${UNDER_WORK} is not in the yard`)
  return job
}

export async function benchPage(server: DemoServer) {
  const unused = {
    query: async () => [],
    transaction: async () => Promise.reject(new Error('the bare page asks for no data')),
    writable: async () => {},
    close: async () => {},
    shopKey: passingKey(),
  }
  const bare = await bareServer(unused)
  await once(bare, 'listening')
  const bareUrl = `http://127.0.0.1:${(bare.address() as AddressInfo).port}/`
  const headers = { cookie: await signedInCookie(server.url) }
  const get = (url: string) => async () => {
    const response = await fetch(url, { headers, redirect: 'manual' })
    if (response.status !== 200) throw new Error(`${url} answered ${response.status}`)
    await response.text()
  }
  const job = await jobUnderWork(server, headers)
  const pages = [
    { name: 'the yard', path: '/', aim: 2 },
    { name: 'a job’s plan', path: `${job}/plan`, aim: 3 },
    { name: 'its bay', path: `${job}/bleed`, aim: 3 },
  ]
  // In turn, so that a machine that slows down slows all of them.
  const [bareMs = 0, ...pagesMs] = await mediansMs(
    120,
    [bareUrl, ...pages.map(({ path }) => server.url + path)].map(get),
  )
  for (const [i, { name, aim }] of pages.entries()) {
    const pageMs = pagesMs[i] ?? 0
    line(
      `${name} against a bare page (${ms(pageMs)} / ${ms(bareMs)})`,
      `${(pageMs / bareMs).toFixed(2)} ×`,
      `under ${aim} ×`,
    )
  }
  bare.close()
}

export async function benchStart(server: DemoServer) {
  await server.stop()
  const began = performance.now()
  await server.run()
  line('start with existing data', `${((performance.now() - began) / 1000).toFixed(2)} s`, 'under 5 s')
}

const gzippedBytes = (files: string[]) =>
  files.reduce((sum, file) => sum + gzipSync(readFileSync(`build/client${file}`)).length, 0)

export async function benchScript(server: DemoServer) {
  const headers = { cookie: await signedInCookie(server.url) }
  const filesOf = async (path: string) => {
    const html = await (await fetch(server.url + path, { headers })).text()
    return new Set([...html.matchAll(/\/assets\/[\w.-]+\.js/g)].map((match) => match[0]))
  }
  const files = await filesOf('/')
  const bay = await filesOf(`${await jobUnderWork(server, headers)}/bleed`)
  const atBench = [...(await filesOf('/bench/boiling'))].filter((file) => !files.has(file))
  line(
    `script on the first screen, gzipped, ${files.size} files`,
    `${(gzippedBytes([...files]) / 1000).toFixed(0)} kB`,
    'under 120 kB',
  )
  line(
    `script of a job’s bay, gzipped, ${bay.size} files`,
    `${(gzippedBytes([...bay]) / 1000).toFixed(0)} kB`,
    'under 430 kB in 30 files',
  )
  line(
    `script that only a Bench page loads, gzipped, ${atBench.length} files`,
    `${(gzippedBytes(atBench) / 1000).toFixed(0)} kB`,
    'not on the first screen',
  )
}
