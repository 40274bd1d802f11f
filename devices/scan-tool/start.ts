import { randomBytes } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { createServer, type Socket } from 'node:net'
import { z } from 'zod'
import { faultLine } from '~core/base/fault'
import { readAsked, type ScanAsked, type ScanSaid, scanLineOf } from '~core/scan-tool/lines'
import { examples } from '~core/vehicle/examples'
import { readVehicle } from '~core/vehicle/read-vehicle'
import { contentPolicy, listen, localApp } from '../local'
import { page } from './page'
import { moods, SimulatedUnit } from './unit'

/**
 * The stand-in for a scan tool: a process of its own that speaks the tool’s lines on a local socket, with a simulated
 * vehicle behind its unit and a page with its dials and screen.
 */
const linePort = Number(process.env.SCAN_TOOL_PORT ?? 4805)
const pagePort = Number(process.env.SCAN_TOOL_PAGE_PORT ?? 4806)
const EVERY_MS = 250

const [file] = process.argv.slice(2)
const read = readVehicle(
  file === undefined ? examples['parcel-van']?.file : JSON.parse(readFileSync(file, 'utf8')),
)
if (!read.ok) {
  for (const fault of read.faults) console.error(faultLine(fault))
  process.exit(2)
}
const unit = new SimulatedUnit(read.value)
const cables = new Set<Socket>()
let screen = 'ready'

const say = (cable: Socket, said: ScanSaid) => {
  if (unit.dials.mood === 'silent' || said.says === 'fault') return
  if (unit.dials.mood === 'nonsense') cable.write('well, it hums\n')
  else cable.write(`${scanLineOf(said)}\n`)
}

/** A routine runs until what is waited for has come, one quarter of a second after the other. */
function run(cable: Socket, asked: Extract<ScanAsked, { ask: 'run' }>): void {
  const starts = unit.starts(asked)
  if (typeof starts !== 'number') {
    screen = 'refused'
    say(cable, starts)
    return
  }
  let leftS = starts
  const timer = setInterval(() => {
    const { mood, volts } = unit.dials
    if (cable.destroyed) return clearInterval(timer)
    unit.works(EVERY_MS / 1000)
    leftS -= EVERY_MS / 1000
    const half = leftS < starts / 2
    screen = `runs: ${asked.until}, ${Math.max(0, leftS).toFixed(0)} s`
    if (half && mood === 'goes dark half-way') {
      clearInterval(timer)
      screen = 'dark'
      return void cable.destroy()
    }
    const end = (said: ScanSaid) => {
      clearInterval(timer)
      screen = said.says
      say(cable, said)
    }
    if (half && mood === 'a door opens')
      return end({ says: 'broke', why: 'door-opened', text: 'A door was opened.' })
    if (volts < 11) return end({ says: 'broke', why: 'battery-low', text: `Battery at ${volts} V.` })
    if (leftS <= 0 && mood !== 'pump runs on') return end({ says: 'came', what: asked.until })
    say(cable, { says: 'runs' })
  }, EVERY_MS)
}

function answer(cable: Socket, asked: ScanAsked): void {
  switch (asked.ask) {
    case 'read':
      for (const said of unit.read()) say(cable, said)
      return
    case 'clear':
      for (const said of unit.clear()) say(cable, said)
      return
    case 'calibrate':
      for (const said of unit.calibrate()) say(cable, said)
      return
    case 'run':
      run(cable, asked)
  }
}

const lines = createServer((cable) => {
  cables.add(cable)
  cable.on('error', () => cable.destroy())
  cable.on('close', () => cables.delete(cable))
  cable.setEncoding('utf8')
  say(cable, { says: 'hello' })
  let waiting = ''
  cable.on('data', (text: string) => {
    waiting = (waiting + text).slice(-400)
    const all = waiting.split('\n')
    waiting = all.pop() ?? ''
    for (const line of all) {
      const asked = readAsked(line)
      if (asked) answer(cable, asked)
      else cable.destroy()
    }
  })
})

setInterval(() => unit.pass(EVERY_MS / 1000), EVERY_MS)

const dials = z
  .object({
    ignition: z.boolean(),
    volts: z.number().min(0).max(30),
    restKPa: z.number().min(-1000).max(1000),
    pumpS: z.number().min(1).max(300),
    number: z.string().max(40),
    mood: z.enum(moods),
  })
  .partial()
const acts = z.discriminatedUnion('do', [
  z.object({ do: z.literal('foot'), down: z.boolean() }),
  z.object({
    do: z.literal('code'),
    code: z.string().min(1).max(20),
    text: z.string().max(100),
    real: z.boolean(),
  }),
  z.object({ do: z.literal('mend') }),
  z.object({ do: z.literal('air'), ml: z.number().min(0).max(20) }),
  z.object({ do: z.literal('unplug') }),
])
type Act = z.output<typeof acts>

function act(what: Act): void {
  switch (what.do) {
    case 'foot':
      unit.press(what.down)
      return
    case 'code':
      unit.codes = [
        ...unit.codes.filter(({ code }) => code !== what.code),
        { code: what.code, text: what.text, isReal: what.real, is: 'present' },
      ]
      return
    case 'mend':
      unit.codes = unit.codes.map((kept) => ({ ...kept, isReal: false }))
      return
    case 'air':
      unit.hideAir(what.ml)
      return
    case 'unplug':
      for (const cable of cables) cable.destroy()
  }
}

const state = () => ({
  dials: unit.dials,
  codes: unit.codes,
  down: unit.isPressed,
  airMl: unit.airMl,
  screen,
  live: unit.read().flatMap((said) => (said.says === 'live' ? [`${said.name} ${said.value}`] : [])),
})
const app = localApp()
app.get('/', (_request, response) => {
  const nonce = randomBytes(16).toString('base64')
  response.set('Content-Security-Policy', contentPolicy(nonce)).send(page(nonce, read.value.name))
})
app.get('/state', (_request, response) => void response.json(state()))
app.post('/dials', (request, response) => {
  const sent = dials.safeParse(request.body)
  if (sent.success) unit.dials = { ...unit.dials, ...sent.data }
  response.status(sent.success ? 200 : 400).json(state())
})
app.post('/act', (request, response) => {
  const sent = acts.safeParse(request.body)
  if (sent.success) act(sent.data)
  response.status(sent.success ? 200 : 400).json(state())
})

listen(lines, app, {
  name: 'Simulated scan tool',
  linePort,
  pagePort,
  setBy: 'SCAN_TOOL_PORT and SCAN_TOOL_PAGE_PORT',
})
