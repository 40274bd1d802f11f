import { hangable } from '~core/job/bottles'
import { carefulAct } from '~core/job/careful'
import type { JobEvent } from '~core/job/events'
import { lookFirst } from '~core/job/looks'
import { placeUnderWork } from '~core/job/points'
import { currentStep } from '~core/job/steps'
import type { CallAct, CallState } from '~core/technique/calls'
import type { Vehicle } from '~core/vehicle/schema'
import type { Database } from '~server/db/database.server'
import { appendEvents } from '~server/services/append.server'
import { joinCab, newCabCode } from '~server/store/cab.server'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { openVanJob } from './own-van'

type Phase = {
  name: string
  act: (vehicle: Vehicle) => ScriptedJob
  /** One act short of it. */
  before?: true
  /** A phone was linked once and is not heard of. */
  phone?: true
}

const exchange = (vehicle: Vehicle, method: string) =>
  ScriptedJob.planned(vehicle, { reason: 'service' }, [method], 320)
const newCylinder = (vehicle: Vehicle, method: string) =>
  ScriptedJob.planned(vehicle, { reason: 'repair', replaced: ['cylinder'] }, ['two-person', method])
const ready = (job: ScriptedJob) =>
  job.until(({ run }) => run.stages.at(run.stageIndex)?.at.RR?.ready === true)
const calling = (name: string, method: string, ...acts: CallAct[]): Phase => ({
  name,
  act: (vehicle) => ready(exchange(vehicle, method)).call(...acts),
})
/** The same opened first and pressed through, which is taken by hand on a vehicle that may be pumped. */
const throughPressing = (name: string, ...acts: CallAct[]): Phase => ({
  name,
  act: (vehicle) => {
    const work = { reason: 'service', ways: [{ technique: 'press-through', why: 'slow strokes' }] }
    return ready(ScriptedJob.planned(vehicle, work, ['two-person'], 320)).call(...acts)
  },
})
/** Alone, a sprung prop at the pedal and the bleeder open. */
const propped = (vehicle: Vehicle) => {
  const work = { reason: 'service', ways: [{ technique: 'propped', why: 'alone' }] }
  return ready(ScriptedJob.planned(vehicle, work, ['solo'], 320)).call('open')
}
const reached = (job: ScriptedJob, call: CallState) => job.until(({ run }) => run.call === call)

const inRoutine = ({ run }: ScriptedJob) => run.stages[run.stageIndex]?.stage.kind === 'control-unit'
/** At the routine of a unit that was replaced. */
const routine = (vehicle: Vehicle) => {
  const work = { reason: 'repair', replaced: ['unit'] }
  return ScriptedJob.planned(vehicle, work, ['two-person', 'control-unit']).until(inRoutine)
}
const dueStep = ({ state, run }: ScriptedJob) => currentStep({ run, standing: state.standing })?.step
const awaited = (what: string) => (job: ScriptedJob) => dueStep(job)?.awaits === what

/** The bay in every phase of a job, so that all of it can be seen at once. */
const phases: Phase[] = [
  { name: 'Is this the vehicle?', act: (vehicle) => exchange(vehicle, 'two-person'), before: true },
  { name: 'Step', act: (vehicle) => exchange(vehicle, 'two-person') },
  {
    name: 'Step with an amount',
    act: (vehicle) => exchange(vehicle, 'two-person').do({ type: 'step-done', step: 'cover' }),
  },
  {
    name: 'Bleeder to prepare',
    act: (vehicle) =>
      exchange(vehicle, 'two-person').until(({ state }) => carefulAct(state)?.type === 'point-ready'),
  },
  calling('Two-person: rest', 'two-person'),
  calling('Two-person: press', 'two-person', 'press'),
  calling('Two-person: holding', 'two-person', 'press', 'holding'),
  calling('Two-person: open', 'two-person', 'press', 'holding', 'open'),
  calling('Two-person: closed', 'two-person', 'press', 'holding', 'open', 'close'),
  calling('Two-person: foot slipped', 'two-person', 'press', 'holding', 'open', 'foot-slipped'),
  calling('Two-person: near the bottom', 'two-person', 'press', 'holding', 'open', 'near-bottom'),
  throughPressing('Press through: open', 'open'),
  throughPressing('Press through: down', 'open', 'press', 'holding'),
  calling('What the pull brought', 'two-person', 'press', 'holding', 'open', 'close', 'release'),
  {
    name: 'What the pulls brought, perhaps new by now',
    act: (vehicle) =>
      exchange(vehicle, 'two-person').until(
        ({ state, run }) => lookFirst({ ...state, run }) && placeUnderWork(run)?.colour === 'amber',
      ),
  },
  {
    name: 'Nothing comes: where does it stop?',
    act: (vehicle) => {
      const job = exchange(vehicle, 'two-person')
      for (let pull = 0; pull < 2; pull++)
        job
          .until(({ run }) => run.lookDue && run.call === 'rest')
          .do({ type: 'pull-seen', ml: 0, colour: 'brown', bubbles: 'none' })
      return job.do({ type: 'flow-looked', point: 'RR', look: 'port', is: 'comes' })
    },
  },
  {
    name: 'Top up first',
    act: (vehicle) =>
      ready(exchange(vehicle, 'two-person')).do({ type: 'level-read', reservoir: 'reservoir', ml: 231 }),
  },
  {
    name: 'Bleeder done',
    act: (vehicle) =>
      exchange(vehicle, 'two-person').until(({ state }) => carefulAct(state)?.type === 'point-finished'),
  },
  {
    name: 'Bleeder snapped',
    act: (vehicle) => ready(exchange(vehicle, 'two-person')).trouble({ what: 'snapped', point: 'RR' }),
  },
  calling('Solo: open', 'solo', 'open'),
  { name: 'Alone, pedal propped: open', act: propped },
  calling('Pressure: open', 'pressure', 'open'),
  calling('Vacuum: drawn', 'vacuum', 'draw'),
  {
    name: 'Gravity: three bottles run',
    act: (vehicle) => {
      const job = ready(exchange(vehicle, 'gravity')).call('open')
      job.do({ type: 'pull-seen', ml: 40, colour: 'dark', bubbles: 'none' })
      for (const point of hangable(job.state).slice(0, 2)) job.do({ type: 'bottle-hung', point })
      return job
    },
  },
  {
    name: 'Gravity: one closed, what came last',
    act: (vehicle) => {
      const job = ready(exchange(vehicle, 'gravity')).call('open')
      job.do({ type: 'pull-seen', ml: 40, colour: 'dark', bubbles: 'none' })
      const [next = ''] = hangable(job.state)
      return job.do({ type: 'bottle-hung', point: next }).wait(120).call('close')
    },
  },
  {
    name: 'The cab’s phone is not heard',
    act: (vehicle) => ready(exchange(vehicle, 'two-person')).call('press', 'holding', 'open'),
    phone: true,
  },
  {
    name: 'Noticed: far over plan, froth',
    act: (vehicle) => {
      const job = ready(exchange(vehicle, 'vacuum')).call('draw', 'open')
      for (let i = 0; i < 4; i++) job.do({ type: 'pull-seen', ml: 50, colour: 'dark', bubbles: 'froth' })
      return job
    },
  },
  {
    name: 'The machine’s tank runs low',
    act: (vehicle) => ready(exchange(vehicle, 'pressure')).call('open').do({ type: 'tank-read', ml: 120 }),
  },
  {
    name: 'Control unit: at the scan tool',
    act: (vehicle) =>
      ScriptedJob.planned(vehicle, { reason: 'repair', replaced: ['unit'] }, [
        'two-person',
        'control-unit',
      ]).until(({ run }) => run.stages[run.stageIndex]?.stage.kind === 'control-unit'),
  },
  {
    name: 'Control unit: the tool works, the foot is down',
    act: (vehicle) => routine(vehicle).until(awaited('pump-stops')),
  },
  {
    name: 'Control unit: it broke off',
    act: (vehicle) =>
      routine(vehicle).until(awaited('pump-stops')).trouble({ what: 'routine-stopped', why: 'tool-died' }),
  },
  { name: 'Bench: stroke', act: (vehicle) => reached(newCylinder(vehicle, 'bench'), 'stroked') },
  { name: 'Bench: bubbles rise', act: (vehicle) => reached(newCylinder(vehicle, 'bench'), 'settling') },
  { name: 'Ports: open', act: (vehicle) => reached(newCylinder(vehicle, 'ports'), 'open') },
  {
    name: 'Parked',
    act: (vehicle) =>
      ready(exchange(vehicle, 'pressure'))
        .call('open')
        .do({
          type: 'parked',
          why: 'the ferry is in',
          standsOpen: ['RR'],
          machineOn: true,
          pedalPropped: false,
          note: '',
        }),
  },
  {
    name: 'Leak check, held by the clock',
    act: (vehicle) => {
      const line = vehicle.lines[0]?.id ?? ''
      const job = ready(exchange(vehicle, 'two-person')).trouble({ what: 'leaking', line })
      return job.until(({ run }) => run.stages[run.stageIndex]?.stepsDone.includes('wipe-dry') ?? false)
    },
  },
  { name: 'Bleed finished', act: (vehicle) => exchange(vehicle, 'two-person').bledToTheEnd() },
]

/** Put one job of each phase into the shop. */
export async function addBayPhases(db: Database, at: Date): Promise<{ name: string; jobId: string }[]> {
  const made: { name: string; jobId: string }[] = []
  for (const { name, act, before, phone } of phases) {
    const { stored, jobId } = await openVanJob(db, 'GNT 107', at)
    const { events } = act(stored.vehicle)
    await addEvents(db, { name, jobId }, events.slice(0, before ? -1 : undefined), at)
    if (phone) await joinCab(db, await newCabCode(db, jobId))
    made.push({ name, jobId })
  }
  return made
}

/** What a scripted job did goes into one that was opened: the last of it now, the rest as long before it as it was. */
export async function addEvents(
  db: Database,
  { name, jobId }: { name: string; jobId: string },
  events: readonly JobEvent[],
  at: Date,
) {
  const laterMs = at.getTime() - Date.parse(events.at(-1)?.at ?? '')
  const moved = events.map((event) => ({
    ...event,
    at: new Date(Date.parse(event.at) + laterMs).toISOString(),
  }))
  const appended = await appendEvents(db, jobId, moved.slice(1))
  if (!appended.ok) throw new Error(`${name}: ${appended.refusal.code}`)
}

/** Phases in which the cab is told something of its own. */
const cabPhases = [
  'Two-person: rest',
  'Two-person: press',
  'Two-person: open',
  'Two-person: closed',
  'Two-person: foot slipped',
  'Solo: open',
  'Parked',
]

/** Link a phone to one job of each word that a cab is told. */
export async function linkPhones(
  db: Database,
  jobs: readonly { name: string; jobId: string }[],
): Promise<string[]> {
  const tokens: string[] = []
  for (const { jobId } of jobs.filter(({ name }) => cabPhases.includes(name))) {
    const phone = await joinCab(db, await newCabCode(db, jobId))
    if (phone) tokens.push(phone.token)
  }
  return tokens
}
