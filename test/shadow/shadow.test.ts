import { expect, test } from 'vitest'
import { Chance } from '~core/base/random'
import { applyEvent } from '~core/job/apply'
import { carefulAct, carefulProof } from '~core/job/careful'
import type { JobEvent } from '~core/job/events'
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
import { breach, disagreement } from './breaches'
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
  return carefulProof(state, check)[0]
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
