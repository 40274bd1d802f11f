import { randomBytes } from 'node:crypto'
import { createServer, type Socket } from 'node:net'
import { z } from 'zod'
import { fluidSpecSchema } from '~core/fluid/specs'
import { testerOf } from '~core/fluid/testers'
import { LONGEST_LINE, lineOf, READ, type Said, STOP } from '~core/fluid/testers/lines'
import { contentPolicy, listen, localApp } from '../local'
import { type Dials, firstDials, kinds, shown } from './instrument'
import { page } from './page'

/**
 * The stand-in for a fluid tester: a process of its own that speaks the tester's lines on a local socket, and a page
 * with its dials. It listens on this machine alone.
 */
const linePort = Number(process.env.TESTER_PORT ?? 4801)
const pagePort = Number(process.env.TESTER_PAGE_PORT ?? 4802)
const STEPS = 10

let dials: Dials = firstDials
let plugged = true
let display = 'ready'
const cables = new Set<Socket>()

/** One cable: it greets, reads when asked, and stops when asked. */
function serve(cable: Socket) {
  let timer: NodeJS.Timeout | undefined
  let waiting = ''
  const say = (said: Said) => cable.writable && cable.write(`${lineOf(said)}\n`)
  const stop = () => {
    clearInterval(timer)
    timer = undefined
  }
  function read() {
    if (timer) return say({ says: 'fault', code: 'busy', text: 'It is reading already.' })
    if (!dials.inFluid) {
      display = 'probe dry'
      return say({ says: 'fault', code: 'no-sample', text: 'The probe is dry: put it into the fluid.' })
    }
    let step = 0
    timer = setInterval(
      () => {
        step++
        display = 'reading…'
        if (step < STEPS) return say({ says: 'busy', pct: step * (100 / STEPS) })
        stop()
        const value = shown(dials)
        const { asks } = testerOf(dials.kind)
        display = `${value} ${asks.of === 'number' ? asks.unit : '%'}`
        say({ says: 'reading', value })
      },
      Math.max(1, (dials.seconds * 1000) / STEPS),
    )
  }
  cables.add(cable)
  cable.setEncoding('utf8')
  cable.on('data', (text: string) => {
    waiting += text
    if (waiting.length > LONGEST_LINE) return void cable.destroy()
    const lines = waiting.split('\n')
    waiting = lines.pop() ?? ''
    for (const line of lines) {
      if (line.trim() === READ) read()
      else if (line.trim() === STOP) {
        stop()
        display = 'stopped'
        say({ says: 'stopped' })
      } else say({ says: 'fault', code: 'unknown-command', text: 'It knows READ and STOP.' })
    }
  })
  cable.on('error', () => cable.destroy())
  cable.on('close', () => {
    stop()
    cables.delete(cable)
  })
  say({ says: 'hello', tester: dials.kind })
}

const lines = createServer((cable) => (plugged ? serve(cable) : cable.destroy()))

const dialsSchema = z
  .object({
    kind: z.enum(kinds),
    spec: fluidSpecSchema,
    waterPct: z.number().min(0).max(6),
    copperPpm: z.number().min(0).max(400),
    off: z.number().min(-50).max(50),
    inFluid: z.boolean(),
    seconds: z.number().min(0).max(60),
  })
  .partial()

const app = localApp()
app.get('/', (_request, response) => {
  const nonce = randomBytes(16).toString('base64')
  response.set('Content-Security-Policy', contentPolicy(nonce)).send(page(nonce))
})
const state = () => ({ dials, plugged, display })
app.post('/dials', (request, response) => {
  const read = dialsSchema.safeParse(request.body)
  if (read.success) {
    if (read.data.kind !== undefined && read.data.kind !== dials.kind)
      for (const cable of cables) cable.destroy()
    dials = { ...dials, ...read.data }
    display = 'ready'
  }
  response.status(read.success ? 200 : 400).json(state())
})
app.post('/plug', (_request, response) => {
  plugged = !plugged
  display = 'ready'
  if (!plugged) for (const cable of cables) cable.destroy()
  response.json(state())
})

listen(lines, app, {
  name: 'Simulated tester',
  linePort,
  pagePort,
  setBy: 'TESTER_PORT and TESTER_PAGE_PORT',
})
