import { newId } from '~/lib/ids'
import { fact } from '~core/base/decision'
import { applyEvent } from '~core/job/apply'
import { carefulAct, carefulProof } from '~core/job/careful'
import type { JobEvent, Person, Unstamped } from '~core/job/events'
import { followUpFact, followUpsOf } from '~core/job/follow-ups'
import { currentPoint, currentStage } from '~core/job/points'
import { checksFor } from '~core/job/proofs/checks'
import type { JobState } from '~core/job/state'
import { jobTally, wasteMl } from '~core/job/tally'
import { makePlan } from '~core/plan/plan'
import { type Shop, workSchema } from '~core/plan/request'
import { partsOf } from '~core/vehicle/parts'
import { sayMetric } from '~core/words'
import type { StoredVehicle } from '~server/store/vehicles.server'
import type { Story } from './history'

const SECONDS_BETWEEN_ACTS = 20

/** The events of an invented job, as they would have come one by one; each is checked by the real reducer. */
export function eventsOfStory(
  story: Story,
  { vehicle, id, plate }: Pick<StoredVehicle, 'vehicle' | 'id' | 'plate'>,
  fullShop: Shop,
  openedAt: Date,
  { by, checker }: { by: Person; checker: Person },
): JobEvent[] {
  const shop: Shop = { ...fullShop, methods: story.methods ?? fullShop.methods }
  const events: JobEvent[] = []
  let atMs = openedAt.getTime()
  let state: JobState | undefined
  function add(act: Unstamped<JobEvent>) {
    const event = { by, ...act, id: newId(), at: new Date(atMs).toISOString() } as JobEvent
    const applied = applyEvent(state, event)
    if (!applied.ok) throw new Error(`demo event ${act.type}: ${applied.refusal.text}`)
    state = applied.state
    atMs += SECONDS_BETWEEN_ACTS * 1000
    events.push(event)
    return applied.state
  }
  const [first] = partsOf(vehicle, 'reservoir')
  const levelMl = first && story.levelMl !== undefined && { [first.id]: story.levelMl }
  const work = workSchema.parse({ ...story.work, ...(levelMl && { levelMl }) })
  const reading =
    story.waterPct === undefined
      ? undefined
      : ({ kind: 'water-pct', value: story.waterPct, at: 'reservoir' } as const)
  let now = add({ type: 'job-opened', vehicleId: id, plate, vehicle })
  if (story.until !== 'check-in')
    now = add({
      type: 'checked-in',
      checkIn: {
        work,
        colour: story.colour,
        levelMl: story.levelMl,
        odometerKm: story.odometerKm,
        note: story.note,
        bay: story.bay,
      },
    })
  if (story.until === 'plan' || story.until === 'bleed' || story.until === 'filed')
    now = add({
      type: 'tested',
      reading,
      readings: reading && [{ tester: 'percent-meter', value: reading.value, at: reading.at }],
      tester: '',
      notTakenWhy: reading ? undefined : 'system open',
    })
  if (story.until === 'bleed' || story.until === 'filed') {
    now = add({ type: 'planned', shop, plan: makePlan({ vehicle, work: { ...work, reading }, shop }) })
    now = add({ type: 'plate-confirmed' })
    for (let act = carefulAct(now); act && !(story.until === 'bleed' && halfWay(now)); act = carefulAct(now))
      now = add(act)
  }
  if (story.until === 'filed') {
    for (const check of checksFor(now)) for (const act of carefulProof(now, check)) now = add(act)
    now = add({
      type: 'filed',
      outcome: 'fit',
      doneBy: by.name,
      checkedBy: checker,
      note: '',
      wasteMl: Math.round(wasteMl(jobTally(now))),
    })
    for (const { id, dueOn } of followUpsOf(now)) {
      atMs = Math.max(atMs, Date.parse(dueOn))
      const text = sayMetric(fact('follow-up-good', { look: followUpFact(id) }))
      now = add({ type: 'addendum', text, followUp: { id, good: true } })
    }
  }
  // The job is opened by whoever loads the story; what follows is the story's own.
  return events.slice(1)
}

/** One bleeder finished, and the next open after a few pulls. */
function halfWay({ run }: JobState): boolean {
  const stageRun = run && currentStage(run)
  const now = run && currentPoint(run)
  if (!stageRun || now === undefined) return false
  const finished = Object.values(stageRun.at).filter((point) => point.finished)
  return finished.length === 1 && (stageRun.at[now]?.pulls ?? 0) >= 3 && run.call === 'open'
}
