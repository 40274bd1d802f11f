import { randomBytes } from 'node:crypto'
import { createServer, type Socket } from 'node:net'
import { z } from 'zod'
import { fluidOf } from '~core/fluid/specs'
import { hiddenKinds } from '~core/job/practice-hides'
import { scaleLineOf } from '~core/scale/lines'
import { contentPolicy, listen, localApp } from '../local'
import { vehicleFromArguments } from '../vehicle'
import { Hands } from './hands'
import { page } from './page'
import { moods, Plate } from './plate'

/**
 * The stand-in for a scale under the catch bottle: a process of its own that speaks the scale's lines on a local socket,
 * and a page with the bottle, and with a simulated vehicle that runs into it.
 */
const linePort = Number(process.env.SCALE_PORT ?? 4803)
const pagePort = Number(process.env.SCALE_PAGE_PORT ?? 4804)
const EVERY_MS = 200

const vehicle = vehicleFromArguments()
const gPerMl = fluidOf(vehicle.fluid.spec).densityKgM3 / 1000
const plate = new Plate()
let hides = 0
let hands = new Hands(vehicle, hides)
let plugged = true
const cables = new Set<Socket>()

const hello = () => scaleLineOf({ says: 'hello', stepG: plate.dials.stepG, capacityG: plate.dials.capacityG })
const lines = createServer((cable) => {
  if (!plugged) return void cable.destroy()
  cables.add(cable)
  cable.on('error', () => cable.destroy())
  cable.on('close', () => cables.delete(cable))
  // It is asked nothing, and hears nothing.
  cable.resume()
  cable.write(`${hello()}\n`)
})

let display = ''
setInterval(() => {
  const came = hands.pass(EVERY_MS / 1000) * gPerMl
  // What runs beside a lifted bottle is on the floor.
  if (!plate.isLifted) plate.pour(came)
  plate.pass(EVERY_MS / 1000)
  const said = plate.says()
  if (said === undefined) return
  display = typeof said === 'string' ? said : said.says === 'grams' ? `${said.grams.toFixed(1)} g` : 'OVER'
  const line = typeof said === 'string' ? said : scaleLineOf(said)
  for (const cable of cables) cable.write(`${line}\n`)
}, EVERY_MS)

const dials = z
  .object({
    stepG: z.number().min(0.01).max(10),
    capacityG: z.number().min(100).max(50_000),
    noiseG: z.number().min(0).max(20),
    creepsG: z.number().min(-20).max(20),
    leansG: z.number().min(0).max(1000),
    mood: z.enum(moods),
  })
  .partial()
const acts = z.discriminatedUnion('do', [
  z.object({ do: z.literal('pour'), ml: z.number().min(0).max(2000) }),
  z.object({ do: z.literal('knock') }),
  z.object({ do: z.literal('lift'), lifted: z.boolean() }),
  z.object({ do: z.literal('change') }),
  z.object({ do: z.literal('plug'), plugged: z.boolean() }),
  z.object({ do: z.literal('turn'), bleeder: z.string().max(200).optional() }),
  z.object({ do: z.literal('foot'), down: z.boolean() }),
  z.object({
    do: z.literal('hides'),
    n: z
      .int()
      .min(0)
      .max(hiddenKinds.length - 1),
  }),
])

type Act = z.output<typeof acts>
const doers: { [K in Act['do']]: (what: Extract<Act, { do: K }>) => void } = {
  pour: ({ ml }) => plate.pour(ml * gPerMl),
  knock: () => plate.knock(),
  lift: ({ lifted }) => plate.lift(lifted),
  change: () => plate.change(),
  plug(what) {
    plugged = what.plugged
    if (!plugged) for (const cable of cables) cable.destroy()
  },
  turn: ({ bleeder }) => hands.turn(hands.bleeders.find((id) => id === bleeder)),
  foot: ({ down }) => hands.foot(down),
  hides({ n }) {
    hides = n
    hands = new Hands(vehicle, hides)
  },
}
const act = (what: Act) => (doers[what.do] as (each: Act) => void)(what)

const state = () => ({
  dials: plate.dials,
  plugged,
  display,
  fluidMl: plate.fluidG / gPerMl,
  lifted: plate.isLifted,
  hands: { bleeders: hands.bleeders, open: hands.open, down: hands.isDown, hides },
})
const app = localApp()
app.get('/', (_request, response) => {
  const nonce = randomBytes(16).toString('base64')
  response.set('Content-Security-Policy', contentPolicy(nonce)).send(page(nonce, vehicle.name))
})
app.get('/state', (_request, response) => void response.json(state()))
app.post('/dials', (request, response) => {
  const sent = dials.safeParse(request.body)
  if (sent.success) {
    // A scale that is set otherwise greets anew.
    if (sent.data.stepG !== undefined || sent.data.capacityG !== undefined)
      for (const cable of cables) cable.destroy()
    plate.dials = { ...plate.dials, ...sent.data }
  }
  response.status(sent.success ? 200 : 400).json(state())
})
app.post('/act', (request, response) => {
  const sent = acts.safeParse(request.body)
  if (sent.success) act(sent.data)
  response.status(sent.success ? 200 : 400).json(state())
})

listen(lines, app, { name: 'Simulated scale', linePort, pagePort, setBy: 'SCALE_PORT and SCALE_PAGE_PORT' })
