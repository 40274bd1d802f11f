import { expect, test } from 'vitest'
import { Chance } from '~core/base/random'
import { cabView } from '~core/cab/view'
import { applyEvent } from '~core/job/apply'
import { carefulAct } from '~core/job/careful'
import type { JobEvent } from '~core/job/events'
import { filingRefusal } from '~core/job/filing'
import { openPoints } from '~core/job/points'
import { checksFor } from '~core/job/proofs/checks'
import { bleedDone } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import { makePlan } from '~core/plan/plan'
import { type Shop, shopSchema, workSchema } from '~core/plan/request'
import { methodIds } from '~core/technique/technique'
import { examples } from '~core/vehicle/examples'
import type { Vehicle } from '~core/vehicle/schema'
import { demoNames, demoVehicle } from '../worlds/demo-vehicles'
import { randomAct } from '../worlds/random-acts'
import { type Act, ScriptedJob, una } from '../worlds/scripted-job'
import { vehicleFrom } from '../worlds/vehicles'
import { newShadow, type Shadow, writeDown } from './shadow'
import { bookLeak } from './volumes'

/** Acts tried in one run: any number by this variable. */
const ACTS = Number(process.env.SHADOW_ACTS ?? 300_000)
const SEED = Number(process.env.SHADOW_SEED ?? 1)
const LONGEST = 160

const vehicles: Vehicle[] = [
  ...Object.values(examples).map(({ file }) => vehicleFrom(structuredClone(file))),
  ...demoNames.map((name) => demoVehicle(name)),
]

/** A job of chance: any vehicle, work and shop that gives a plan to work by. */
function begin(chance: Chance): ScriptedJob | undefined {
  const vehicle = chance.of(vehicles)
  const touched = chance.of([
    ...vehicle.parts.map(({ id }) => id),
    ...vehicle.lines.flatMap(({ id }) => id ?? []),
  ])
  const work = {
    reason: chance.of(['service', 'repair', 'soft-pedal', 'conversion'] as const),
    opened: chance.yes(0.4) ? [touched] : [],
    replaced: chance.yes(0.2) ? [touched] : [],
    ranDry: chance.yes(0.1),
    systemEmpty: chance.yes(0.1),
  }
  const methods = methodIds.filter(() => chance.yes(0.6))
  try {
    return ScriptedJob.planned(vehicle, work, methods)
  } catch {
    // A plan that stops is nothing to work by.
    return undefined
  }
}

/** Plan again where a plan was given up, as somebody at the desk would. */
function planAgain(state: JobState, shop: Shop): Act | undefined {
  const { checkIn, tested, vehicle, run } = state
  if (run) return undefined
  if (!checkIn) {
    const work = workSchema.parse({ reason: 'service' })
    return { type: 'checked-in', checkIn: { work, colour: 'brown', note: '' } }
  }
  if (!tested) return { type: 'tested', tester: '', notTakenWhy: 'open' }
  return { type: 'planned', shop, plan: makePlan({ vehicle, work: checkIn.work, shop }) }
}

/** What the desk does once the bleed is at its end: proves one thing more, and files. */
function proveAndFile(state: JobState): Act | undefined {
  if (!bleedDone(state) || state.parked) return undefined
  const check = checksFor(state).find(({ id }) => !state.proofs[id]?.passed)
  if (!check) return { type: 'filed', outcome: 'fit', doneBy: 'Una', note: '', wasteMl: 10 }
  const { id, holdS, measure } = check
  const remedy = state.proofs[id] ? 'set right' : undefined
  return {
    type: 'check-proved',
    check: id,
    passed: true,
    heldS: holdS,
    value: measure && 0,
    note: '',
    remedy,
  }
}

/** What happens beside the acts of the floor. */
function beside(state: JobState, chance: Chance, shop: Shop): Act | undefined {
  if (!state.run && chance.yes(0.6)) return planAgain(state, shop)
  if (chance.yes(0.02))
    return {
      type: 'vehicle-moved',
      from: { vehicleId: state.vehicleId, plate: state.plate, name: state.vehicle.name },
      vehicleId: `v${chance.below(1000)}`,
      plate: 'ISL 9',
      vehicle: chance.of(vehicles),
      why: 'wrong one picked',
    }
  if (chance.yes(0.02))
    return {
      type: 'filed',
      outcome: chance.of(['fit', 'not-fit', 'declined', 'kept']),
      doneBy: 'Una',
      note: 'x',
      wasteMl: 10,
    }
  return undefined
}

const machineDriven = (state: JobState) => {
  const technique = state.run?.stages[state.run.stageIndex]?.stage.technique
  return technique === 'pressure' || technique === 'pressure-vacuum'
}

const BEGINS = new Set(['press', 'open', 'draw', 'stroke'])

/** What must never be, given what was written down before this act was taken. */
function breach(shadow: Shadow, event: JobEvent, before: JobState): string | undefined {
  const others = (point: string) => [...shadow.open].filter(([each]) => each !== point)
  const stands = [...shadow.open].filter(([, how]) => how !== 'running')
  if (event.type === 'call' && BEGINS.has(event.act)) {
    if (stands.length > 0) return `${event.act} with ${stands.map(([point]) => point)} standing open`
    if (event.act !== 'press' && others(event.seen.point).length > 0)
      return `${event.act} at ${event.seen.point} with another running`
    if (shadow.up.has('pressure') && !machineDriven(before))
      return `${event.act} under the machine’s pressure`
  }
  if (event.type === 'call' && (event.act === 'release' || event.act === 'let-off') && shadow.open.size > 0)
    return `${event.act} with ${[...shadow.open.keys()]} open`
  if (event.type === 'bottle-hung' && (stands.length > 0 || shadow.up.has('pressure')))
    return 'a bottle hung with a joint standing open, or under pressure'
  if (event.type === 'step-done') {
    const shuts = shadow.renews.get(event.step)
    if ([...shadow.open.keys()].some((point) => point !== shuts)) return `${event.step} with a joint open`
    const off = event.step === 'depressurise' || event.step === 'pressure-off'
    if (shadow.up.has('pressure') && !off && !machineDriven(before)) return `${event.step} under pressure`
    if (shadow.up.has('pressure') && event.step === 'adapter-off') return 'adapter off under pressure'
    const mend = before.run?.mends.some(({ steps }) => steps.some(({ id }) => id === event.step))
    if (shadow.up.has('pressure') && mend && !off) return `${event.step} mended under pressure`
  }
  if (event.type === 'filed' && event.outcome === 'fit') {
    if (shadow.open.size > 0) return `filed as fit with ${[...shadow.open.keys()]} open`
    if (shadow.up.size > 0) return `filed as fit with ${[...shadow.up]}`
    if (shadow.broken.length > 0) return `filed as fit with ${shadow.broken} broken`
    if (shadow.air.size > 0) return `filed as fit with air at ${[...shadow.air]}`
  }
  return undefined
}

/** Whether the job's own ledger says what was written down, and the phone nothing that it forbids. */
function disagreement(shadow: Shadow, state: JobState): string | undefined {
  const open = new Set([
    ...(state.run ? openPoints(state.run) : []),
    ...state.standing.open.map(({ point }) => point),
  ])
  const text = (ids: Iterable<string>) => [...ids].sort().join(', ')
  if (text(open) !== text(shadow.open.keys()))
    return `open: job ${text(open)}, written ${text(shadow.open.keys())}`
  if (text(state.standing.up) !== text(shadow.up))
    return `set up: job ${text(state.standing.up)}, written ${text(shadow.up)}`
  if (text(state.standing.broken) !== text(shadow.broken))
    return `broken: job ${text(state.standing.broken)}, written ${text(shadow.broken)}`
  if (shadow.open.size > 0 && cabView(state).says === 'release') return 'RELEASE with a joint open'
  const clear = shadow.open.size + shadow.up.size + shadow.broken.length === 0
  if (!clear && filingRefusal(state, 'fit') === undefined) return 'could be filed as fit'
  return undefined
}

test(`what stands is what was written down beside the work: ${ACTS} acts tried`, () => {
  const shop = shopSchema.parse({ methods: [...methodIds] })
  const seen = { tried: 0, taken: 0, jobs: 0, fit: 0 }
  for (let seed = SEED; seen.tried < ACTS; seed++) {
    const chance = new Chance(seed)
    const job = begin(chance)
    if (!job) continue
    seen.jobs++
    let state = job.state
    let shadow = job.events.reduce(writeDown, newShadow())
    const behind = new Map<string, Shadow>()
    let last: JobEvent | undefined
    // Some jobs go nearly as they should and come to their end; others are all mishaps.
    const sense = chance.of([0, 0.6, 0.9, 0.97, 0.99])
    for (let n = 0; n < (sense > 0.8 ? 6 : 1) * LONGEST && !state.filed; n++) {
      seen.tried++
      const sensible = chance.yes(sense)
        ? (proveAndFile(state) ?? planAgain(state, shop) ?? carefulAct(state))
        : undefined
      const odd = () =>
        beside(state, chance, shop) ?? (chance.yes(0.03) && last ? last : randomAct(state, chance))
      const act = sensible ?? odd()
      const id = `shadow-act-${String(n).padStart(6, '0')}`
      const event = {
        by: una,
        ...act,
        id,
        at: new Date(Date.UTC(2026, 4, 4, 9, 0, n)).toISOString(),
      } as JobEvent
      const applied = applyEvent(state, event)
      if (!applied.ok) continue
      seen.taken++
      const where = `seed ${seed}, act ${n} (${event.type})`
      const wrong = breach(shadow, applied.event, state) ?? bookLeak(state, applied.state, applied.event)
      if (wrong) throw new Error(`${where}: ${wrong}`)
      if (event.type === 'undone') shadow = behind.get(event.event) ?? shadow
      else {
        behind.set(event.id, shadow)
        shadow = writeDown(shadow, applied.event)
      }
      state = applied.state
      last = event
      const differs = disagreement(shadow, state)
      if (differs) throw new Error(`${where}: ${differs}`)
      if (state.filed?.outcome === 'fit') seen.fit++
    }
  }
  console.log(
    `shadow ledger from seed ${SEED}: ${seen.jobs} jobs, ${seen.tried} acts tried, ${seen.taken} taken, ${seen.fit} filed as fit`,
  )
  expect(seen.taken).toBeGreaterThan(ACTS / 10)
  expect(seen.fit).toBeGreaterThan(ACTS / 10_000)
})
