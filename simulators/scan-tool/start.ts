import { randomBytes } from 'node:crypto'
import { createServer, type Socket } from 'node:net'
import { z } from 'zod'
import type { FloorEvent } from '~core/job/events'
import { fromWire, type WireJob } from '~core/job/wire'
import { unpluggables } from '~core/procedure/schema'
import { readAsked, SCAN_VERSION, type ScanLine, scanLineOf } from '~core/scan-tool/lines'
import { positions } from '~core/vehicle/schema'
import { contentPolicy, listen, localApp } from '../local'
import { vehicleFromArguments } from '../vehicle'
import { page } from './page'
import { moods, Tool } from './tool'
import { SimulatedUnit } from './unit'

/**
 * The stand-in for a scan tool: a process of its own that speaks the tool’s lines on a local socket, with a simulated
 * vehicle behind its unit and a page with its dials and screen. Who follows a job tells it what was done there.
 */
const linePort = Number(process.env.SCAN_TOOL_PORT ?? 4805)
const pagePort = Number(process.env.SCAN_TOOL_PAGE_PORT ?? 4806)
const EVERY_MS = 250
/** A job in the middle of its bleed is so large at most. */
const JOB_BYTES = '4mb'
/** Somebody acted whom it did not follow. */
const WANTS_JOB = 409

const vehicle = vehicleFromArguments()
const unit = new SimulatedUnit(vehicle)
const tool = new Tool(unit)
const cables = new Set<Socket>()
const cutAll = () => {
  for (const cable of cables) cable.destroy()
}

const sayTo = (cable: Socket) => (said: ScanLine) => {
  if (tool.mood === 'silent' || cable.destroyed) return
  cable.write(tool.mood === 'nonsense' ? 'well, it hums\n' : `${scanLineOf(said)}\n`)
}
const lines = createServer((cable) => {
  cables.add(cable)
  cable.on('error', () => cable.destroy())
  cable.on('close', () => cables.delete(cable))
  cable.setEncoding('utf8')
  const say = sayTo(cable)
  say({ says: 'hello', version: SCAN_VERSION })
  let waiting = ''
  cable.on('data', (text: string) => {
    waiting = (waiting + text).slice(-400)
    const all = waiting.split('\n')
    waiting = all.pop() ?? ''
    for (const line of all) {
      const asked = readAsked(line)
      if (asked) tool.answer(asked, say)
      else cable.destroy()
    }
  })
})
setInterval(() => tool.pass(EVERY_MS / 1000) || cutAll(), EVERY_MS)

const ml = z.number().min(0).max(60)
const dials = z
  .object({
    ignition: z.boolean(),
    volts: z.number().min(0).max(30),
    restKPa: z.number().min(-1000).max(1000),
    number: z.string().max(40),
    mood: z.enum(moods),
    pumpS: z.number().min(1).max(300),
  })
  .partial()
const acts = z.discriminatedUnion('do', [
  z.object({ do: z.literal('foot'), down: z.boolean() }),
  z.object({ do: z.literal('turn'), bleeder: z.string().max(200).optional() }),
  z.object({
    do: z.literal('code'),
    code: z.string().min(1).max(20),
    text: z.string().max(100),
    real: z.boolean(),
    onDrive: z.boolean().default(false),
  }),
  z.object({ do: z.literal('mend') }),
  z.object({ do: z.literal('comes-in'), closedMl: ml, openMl: ml.default(0) }),
  z.object({ do: z.literal('power'), on: z.boolean() }),
  z.object({ do: z.literal('drive') }),
  z.object({ do: z.literal('sensor'), what: z.enum(unpluggables), plugged: z.boolean() }),
  z.object({ do: z.literal('wheel-turns'), position: z.enum(positions).optional() }),
  z.object({ do: z.literal('unplug') }),
])

type Act = z.output<typeof acts>
const doers: { [K in Act['do']]: (what: Extract<Act, { do: K }>) => void } = {
  foot: ({ down }) => unit.press(down),
  turn: ({ bleeder }) => unit.turn(unit.bleeders.find((id) => id === bleeder)),
  code: ({ code, text, real, onDrive }) => unit.setCode({ code, text, isReal: real, onDrive }),
  mend: () => unit.mend(),
  'comes-in': (air) => unit.comesIn(air),
  power: ({ on }) => unit.power(on),
  drive: () => unit.drive(),
  sensor: ({ what, plugged }) => unit.plug(what, plugged),
  'wheel-turns': ({ position }) => unit.turns(position),
  unplug: cutAll,
}
const act = (what: Act) => (doers[what.do] as (each: Act) => void)(what)

const state = () => {
  const said = unit.refuses() ? [] : unit.read()
  return {
    dials: { ...unit.dials, mood: tool.mood, pumpS: tool.pumpS },
    codes: unit.codesNow(),
    down: unit.isPressed,
    powered: unit.isPowered,
    bleeders: unit.bleeders,
    open: unit.open,
    airMl: unit.airMl,
    closedAirMl: unit.closedAirMl,
    screen: tool.screen,
    live: said.flatMap((each) => {
      if (each.says === 'live') return [`${each.name} ${each.value}`]
      return each.says === 'wheel' ? [`${each.position} ${each.kmh} km/h`] : []
    }),
  }
}
const app = localApp(JOB_BYTES)
app.get('/', (_request, response) => {
  const nonce = randomBytes(16).toString('base64')
  response.set('Content-Security-Policy', contentPolicy(nonce)).send(page(nonce, vehicle.name))
})
app.get('/state', (_request, response) => void response.json(state()))
app.post('/dials', (request, response) => {
  const sent = dials.safeParse(request.body)
  if (sent.success) {
    const { mood = tool.mood, pumpS = tool.pumpS, ...others } = sent.data
    tool.mood = mood
    tool.pumpS = pumpS
    unit.dials = { ...unit.dials, ...others }
  }
  response.status(sent.success ? 200 : 400).json(state())
})
app.post('/act', (request, response) => {
  const sent = acts.safeParse(request.body)
  if (sent.success) act(sent.data)
  response.status(sent.success ? 200 : 400).json(state())
})
/**
 * What was done to a job, and how many acts it has then: the same is done to the vehicle here. How the job stands after it
 * is sent along only where it is asked for.
 */
type Followed = { event?: FloorEvent; length?: number; job?: WireJob; passS: number }
app.post('/follow', (request, response) => {
  const { event, length = 0, job, passS } = request.body as Followed
  if (event && job) unit.follow(event, fromWire(job))
  else if (event && !unit.followNext(event, length)) {
    response.status(WANTS_JOB).end()
    return
  }
  response.json({ ...unit.passes(passS), ...state() })
})

listen(lines, app, {
  name: 'Simulated scan tool',
  linePort,
  pagePort,
  setBy: 'SCAN_TOOL_PORT and SCAN_TOOL_PAGE_PORT',
})
