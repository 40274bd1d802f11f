import { expect, test } from 'vitest'
import { Chance } from '~core/base/random'
import { cabView } from '~core/cab/view'
import { applyEvent } from '~core/job/apply'
import { carefulAct } from '~core/job/careful'
import type { JobEvent } from '~core/job/events'
import { bleedDone } from '~core/job/selectors'
import { allOpen } from '~core/job/standing'
import { examples } from '~core/vehicle/examples'
import { routedBleeders } from '~core/vehicle/network'
import { randomAct } from '../worlds/random-acts'
import { randomProcedure } from '../worlds/random-procedure'
import { ScriptedJob, una } from '../worlds/scripted-job'
import { vehicleFrom } from '../worlds/vehicles'
import { breach, disagreement } from './breaches'
import { newShadow, type Shadow, writeDown } from './shadow'

const PROCEDURES = Number(process.env.PROCEDURES ?? 200)

/** Vehicles by what their unit offers. */
const offering = [
  ['parcel-van', 'cycle'],
  ['electric-post-van', 'wheel-by-wheel'],
  ['hybrid-taxi', 'maker-led'],
] as const

function jobOf(chance: Chance) {
  const [name, routine] = chance.of(offering)
  const plain = vehicleFrom(structuredClone(examples[name]?.file))
  const procedure = randomProcedure(
    chance,
    routine,
    routedBleeders(plain).map(({ bleeder }) => bleeder.id),
  )
  const parts = plain.parts.map((part) => (part.type === 'control-unit' ? { ...part, procedure } : part))
  const vehicle = vehicleFrom({ ...plain, parts })
  return ScriptedJob.planned(
    vehicle,
    { reason: 'repair', replaced: ['unit'] },
    ['two-person', 'control-unit'],
    300,
  )
}

test(`${PROCEDURES} procedures that validate: no order of acts, losses and undo lets go of a foot with a joint open`, () => {
  let acts = 0
  for (let seed = 1; seed <= PROCEDURES; seed++) {
    const chance = new Chance(seed)
    const job = jobOf(chance)
    let { state } = job
    let shadow = job.events.reduce(writeDown, newShadow())
    const behind = new Map<string, Shadow>()
    for (let n = 0; n < 250; n++) {
      // To the routine first: what comes before it is searched elsewhere.
      const early = (state.run?.stageIndex ?? 0) < 2
      const act = chance.yes(early ? 0.98 : 0.6) ? carefulAct(state) : randomAct(state, chance)
      if (!act) break
      const event = { by: una, ...act, id: `routine-${n}`, at: job.event(act).at } as JobEvent
      const applied = applyEvent(state, event)
      if (!applied.ok) continue
      acts++
      const where = `seed ${seed}, act ${n} (${event.type})`
      expect(breach(shadow, applied.event, state), where).toBeUndefined()
      if (event.type === 'undone') shadow = behind.get(event.event) ?? shadow
      else {
        behind.set(event.id, shadow)
        shadow = writeDown(shadow, applied.event)
      }
      state = applied.state
      expect(disagreement(shadow, state), where).toBeUndefined()
      if (allOpen(state).length > 0) expect(cabView(state).says, where).not.toBe('release')
    }
  }
  console.log(`${acts} acts taken`)
})

test('every one that validates is led to its end', () => {
  for (let seed = 1; seed <= 60; seed++) {
    const { state } = jobOf(new Chance(seed)).bledToTheEnd()
    expect(bleedDone(state), `seed ${seed}`).toBe(true)
    expect(state.standing.up, `seed ${seed}`).toEqual([])
  }
})
