import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { gzipSync } from 'node:zlib'
import { request } from '@playwright/test'
import { createElement } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { createMemoryRouter, RouterProvider, type ServerBuild } from 'react-router'
import { MapDrawing } from '~/components/line-map/drawing'
import { appendEvents } from '~/db/jobs.server'
import { openData } from '~/db/open.server'
import { boilingCurve } from '~core/fluid/boiling-curve'
import { replay } from '~core/job/apply'
import { carefulAct } from '~core/job/careful'
import { cornerOutletShare } from '~core/physics/exchange/reservoir-carry'
import { makePlan } from '~core/plan/plan'
import { readPlanRequest } from '~core/plan/request'
import { planSampler } from '~core/plan/sampling'
import lorryFile from '~core/vehicle/examples/coal-lorry.json'
import { readVehicle } from '~core/vehicle/read-vehicle'
import type { Vehicle } from '~core/vehicle/schema'
import { outletByOde } from '~test/reference/outlet-by-ode'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'
import { loadDemoWorld } from '../demo/load'
import vanFile from '../demo/vehicles/post-van-lhd.json'
import { DemoServer } from '../e2e/server'
import { signIn } from '../e2e/sign-in'
import { createApp } from '../server/app'
import { benchCab } from './bench/cab'
import { benchDue } from './bench/due'
import { line, medianMs, ms, quantile } from './bench/measure'
import { benchRig } from './bench/rig'
import { benchWhatIf } from './bench/what-if'
import { openVanJob } from './own-van'

/** The van with two valves and three junctions added, so that it has twelve parts. */
function twelveParts() {
  const segments = [{ lengthM: 0.4, boreMm: 3.34, kind: 'tube' }]
  const extra = [
    { id: 'front valve', type: 'valve', role: 'proportioning', bleeders: [] },
    { id: 'rear valve', type: 'valve', role: 'load-sensing', bleeders: [{ id: 'LSV' }] },
    { id: 'tee 1', type: 'junction' },
    { id: 'tee 2', type: 'junction' },
    { id: 'tee 3', type: 'junction' },
  ]
  const lines = extra.map(({ id }) => ({ from: 'unit', to: id, circuit: 'rear', segments }))
  return { ...vanFile, parts: [...vanFile.parts, ...extra], lines: [...vanFile.lines, ...lines] }
}

/** The lorry with a tee and a valve in every brake pipe, a clutch and two more tees: thirty parts, all piped. */
function thirtyParts(): Vehicle {
  const pipes = lorryFile.lines.filter(({ to }) =>
    lorryFile.parts.some(({ id, type }) => id === to && type === 'wheel-brake'),
  )
  const short = [{ lengthM: 0.3, boreMm: 3.34, kind: 'tube' }]
  const added = pipes.flatMap(({ to }) => [
    { id: `tee ${to}`, type: 'junction' },
    { id: `valve ${to}`, type: 'valve', role: 'proportioning', bleeders: [] },
  ])
  const clutch = [
    { id: 'clutch reservoir', type: 'reservoir', maxMl: 200, minMl: 100 },
    {
      id: 'clutch cylinder',
      type: 'master-cylinder',
      fedBy: 'clutch reservoir',
      pedalRatio: 5,
      actuator: 'pedal',
      bleeders: [],
      chambers: [{ id: 'clutch chamber', boreMm: 19, strokeMm: 25 }],
    },
    { id: 'clutch slave', type: 'clutch-slave', boreMm: 22, strokeMm: 20, bleeders: [{ id: 'CL' }] },
  ]
  const gauges = pipes.map(({ to }) => ({ id: `gauge ${to}`, type: 'junction' }))
  return vehicleFrom({
    ...lorryFile,
    parts: [...lorryFile.parts, ...added, ...clutch, ...gauges],
    lines: [
      ...lorryFile.lines.flatMap((pipe) =>
        pipes.includes(pipe)
          ? [
              { from: pipe.from, to: `tee ${pipe.to}`, circuit: pipe.circuit, segments: pipe.segments },
              { from: `tee ${pipe.to}`, to: `valve ${pipe.to}`, circuit: pipe.circuit, segments: short },
              { from: `tee ${pipe.to}`, to: `gauge ${pipe.to}`, circuit: pipe.circuit, segments: short },
              { from: `valve ${pipe.to}`, to: pipe.to, circuit: pipe.circuit, segments: short },
            ]
          : [pipe],
      ),
      { from: 'clutch chamber', to: 'clutch slave', circuit: 'clutch', segments: short },
    ],
  })
}

/** Laying a map out happens once for a vehicle; drawing it happens at every act. */
async function benchMap() {
  const large = Array.from({ length: 60 }, thirtyParts)
  const [vehicle] = large
  if (!vehicle) return
  // The map speaks in the units of whoever reads it, which it asks the router for.
  const draw = (of: Vehicle) => {
    const drawing = createElement('svg', null, createElement(MapDrawing, { vehicle: of }))
    const router = createMemoryRouter([{ path: '/', element: drawing }])
    return renderToStaticMarkup(createElement(RouterProvider, { router }))
  }
  const both = await medianMs(large.length, () => draw(large.pop() ?? vehicle))
  const redrawn = await medianMs(60, () => draw(vehicle))
  const { parts, lines } = vehicle
  line(
    `line map of ${parts.length} parts and ${lines.length} lines, laid out and drawn`,
    ms(both),
    'under 16 ms',
  )
  line('the same drawn again', ms(redrawn), 'under 16 ms')
}

async function benchPlan() {
  const request = readPlanRequest({
    format: 'ruddy-siphon.plan-request',
    version: 1,
    vehicle: twelveParts(),
    work: { reason: 'repair', replaced: ['unit'] },
    shop: { methods: ['two-person', 'pressure', 'vacuum', 'bench', 'control-unit'] },
  })
  if (!request.ok) throw new Error(request.faults.map((fault) => fault.path).join())
  const taken = await medianMs(500, () => makePlan(request.value))
  line(
    `plan of a ${request.value.vehicle.parts.length}-part vehicle, median of 500`,
    ms(taken),
    'under 5 ms, its search for the least fluid in it',
  )
}

function demoVan() {
  const read = readVehicle(structuredClone(vanFile))
  if (!read.ok) throw new Error(read.faults.map(({ path }) => path).join())
  return read.value
}

/** 2000 samples of a four-wheel plan against the same transport solved as differential equations, and the curve. */
async function benchPhysics() {
  const request = readPlanRequest({
    format: 'ruddy-siphon.plan-request',
    version: 1,
    vehicle: vanFile,
    work: { reason: 'service' },
    shop: { methods: ['two-person'] },
  })
  if (!request.ok) throw new Error(request.faults.map((fault) => fault.path).join())
  const samples = 2000
  const sampledMs = await medianMs(15, () => planSampler(request.value, 1)?.take(samples))
  const corners = [
    [60, 130],
    [45, 100],
    [38, 85],
    [24, 55],
  ] as const
  const through = (outlet: typeof cornerOutletShare) => () => {
    let share = 0.6
    let sum = 0
    for (const [volumeMl, throughMl] of corners) {
      sum += outlet(380, share, volumeMl, throughMl)
      share *= Math.exp(-throughMl / 380)
    }
    return sum
  }
  const [ours, odes] = [through(cornerOutletShare), through(outletByOde)]
  const odeMs = (await medianMs(200, odes)) * samples
  const apart = Math.abs(ours() / odes() - 1)
  const planMs = (await medianMs(100, () => makePlan(request.value))) * samples
  line(
    `${samples} samples of a four-wheel plan (${ms(sampledMs)}) against as many plans (${ms(planMs)})`,
    `${(planMs / sampledMs).toFixed(0)} ×`,
    '10 × faster',
  )
  const alone = await medianMs(50, () => {
    for (let i = 0; i < samples; i++) ours()
  })
  line(
    `transport through four wheels (${ms(alone)}) against the same by ODE (${ms(odeMs)}), ${samples} times`,
    `${(odeMs / alone).toFixed(0)} ×`,
    '100 × faster',
  )
  line('transport by closed form and by ODE, apart', `${(100 * apart).toPrecision(2)} %`, 'under 2 %')
  line(
    'boiling curve of 200 points, median of 50',
    ms(await medianMs(50, () => boilingCurve('DOT 4', { points: 200 }))),
    'under 5 ms',
  )
}

/** The same server, router, root and middleware with one empty route: what any page of this stack costs. */
async function bareServer(db: Parameters<typeof createApp>[0]): Promise<Server> {
  const build = (await import(
    /* @vite-ignore */ pathToFileURL(resolve('build/server/index.js')).href
  )) as ServerBuild
  const root = build.routes.root
  const yard = build.assets.routes['routes/yard']
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
  return createServer(createApp(db, resolve('build'), new Set(['127.0.0.1']), async () => bare)).listen(
    0,
    '127.0.0.1',
  )
}

/** What a browser holds after somebody has taken the screen. */
async function signedInCookie(url: string): Promise<string> {
  const client = await request.newContext()
  await signIn(client, url)
  const { cookies } = await client.storageState()
  await client.dispose()
  return cookies.map(({ name, value }) => `${name}=${value}`).join('; ')
}

async function benchPage(server: DemoServer) {
  const unused = {
    query: async () => [],
    transaction: async () => Promise.reject(new Error('the bare page asks for no data')),
    writable: async () => {},
    close: async () => {},
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
  const bareMs = await medianMs(120, get(bareUrl))
  const pageMs = await medianMs(120, get(`${server.url}/`))
  bare.close()
  line(
    `the yard against a bare page (${ms(pageMs)} / ${ms(bareMs)})`,
    `${(pageMs / bareMs).toFixed(2)} ×`,
    'under 3 ×',
  )
}

async function benchStart(server: DemoServer) {
  await server.stop()
  const began = performance.now()
  await server.run()
  line('start with existing data', `${((performance.now() - began) / 1000).toFixed(2)} s`, 'under 5 s')
}

const gzippedBytes = (files: string[]) =>
  files.reduce((sum, file) => sum + gzipSync(readFileSync(`build/client${file}`)).length, 0)

async function benchScript(server: DemoServer) {
  const headers = { cookie: await signedInCookie(server.url) }
  const filesOf = async (path: string) => {
    const html = await (await fetch(server.url + path, { headers })).text()
    return new Set([...html.matchAll(/\/assets\/[\w.-]+\.js/g)].map((match) => match[0]))
  }
  const files = await filesOf('/')
  const atBench = [...(await filesOf('/bench/boiling'))].filter((file) => !files.has(file))
  line(
    `script on the first screen, gzipped, ${files.size} files`,
    `${(gzippedBytes([...files]) / 1000).toFixed(0)} kB`,
    'under 200 kB',
  )
  line(
    `script that only a Bench page loads, gzipped, ${atBench.length} files`,
    `${(gzippedBytes(atBench) / 1000).toFixed(0)} kB`,
    'not on the first screen',
  )
}

async function benchCommand() {
  const input = JSON.stringify({ dryC: 230, wetC: 155, waterPct: 2 })
  const taken = await medianMs(10, async () => {
    const child = spawn(process.execPath, ['build/node/siphon.js', 'calc', 'boiling-point'], {
      stdio: ['pipe', 'ignore', 'inherit'],
    })
    child.stdin.end(input)
    await once(child, 'exit')
  })
  line('siphon calc boiling-point, whole command', ms(taken), 'about 1 s')
}

/** A job with thousands of events, made by bleeding the van again and again. */
function longJob(length: number): ScriptedJob {
  const vehicle = vehicleFrom(vanFile)
  const job = ScriptedJob.planned(vehicle, { reason: 'service' }, ['two-person'], 320)
  while (job.events.length < length) {
    const act = carefulAct(job.state)
    job.do(act ?? { type: 'bleed-again', why: 'bench' })
  }
  return job
}

async function benchReducer() {
  const { events } = longJob(5000)
  const began = performance.now()
  replay(events)
  const firstMs = performance.now() - began
  const taken = await medianMs(60, () => replay(events))
  line(`reducer over ${events.length} events, median of 60 (first ${ms(firstMs)})`, ms(taken), 'under 20 ms')
}

/** One event after another into the real database on disk, as the server appends what a screen sends. */
async function benchAppend() {
  const folder = mkdtempSync(join(tmpdir(), 'siphon-bench-'))
  const { db } = await openData(folder, resolve('build'))
  await loadDemoWorld(db, new Date())
  const { jobId } = await openVanJob(db, 'BENCH 1')
  const taken: number[] = []
  for (const event of longJob(1000).events.slice(1)) {
    const began = performance.now()
    const appended = await appendEvents(db, jobId, [event])
    taken.push(performance.now() - began)
    if (!appended.ok) throw new Error(appended.refusal.code)
  }
  await db.close()
  rmSync(folder, { recursive: true })
  line(`append of an event, p95 of ${taken.length}`, ms(quantile(taken, 0.95)), 'under 20 ms')
}

await benchReducer()
await benchPlan()
await benchMap()
await benchPhysics()
await benchRig(demoVan(), { cylinder: 'cylinder', bleeder: 'FL' })
await benchAppend()
await benchCommand()
await benchDue(signedInCookie)
await benchCab(signedInCookie)
const server = await DemoServer.start()
try {
  await benchPage(server)
  await benchScript(server)
  await benchWhatIf(server)
  await benchStart(server)
} finally {
  await server.end()
}
