import { cabView } from '~core/cab/view'
import type { JobEvent } from '~core/job/events'
import { filingRefusal } from '~core/job/filing'
import { openPoints } from '~core/job/points'
import type { JobState } from '~core/job/state'
import type { Shadow } from './shadow'

const machineDriven = (state: JobState) => {
  const technique = state.run?.stages[state.run.stageIndex]?.stage.technique
  return technique === 'pressure' || technique === 'pressure-vacuum'
}

const BEGINS = new Set(['press', 'open', 'draw', 'stroke'])

/** What must never be, given what was written down before this act was taken. */
export function breach(shadow: Shadow, event: JobEvent, before: JobState): string | undefined {
  const others = (point: string) => [...shadow.open].filter(([each]) => each !== point)
  const stands = [...shadow.open].filter(([, how]) => how !== 'running')
  if (event.type === 'call' && BEGINS.has(event.act)) {
    if (stands.length > 0) return `${event.act} with ${stands.map(([point]) => point)} standing open`
    if (event.act !== 'press' && others(event.seen.point).length > 0)
      return `${event.act} at ${event.seen.point} with another running`
    if (shadow.up.has('pressure') && !machineDriven(before))
      return `${event.act} under the machine’s pressure`
    if (shadow.up.has('lever-tied')) return `${event.act} with the lever tied`
  }
  if (event.type === 'parked' && event.leverTied && (shadow.open.size > 0 || event.standsOpen.length > 0))
    return 'a lever tied over an open joint'
  if (event.type === 'call' && (event.act === 'release' || event.act === 'let-off') && shadow.open.size > 0)
    return `${event.act} with ${[...shadow.open.keys()]} open`
  if (event.type === 'bottle-hung' && (stands.length > 0 || shadow.up.has('pressure')))
    return 'a bottle hung with a joint standing open, or under pressure'
  if (event.type === 'bottle-hung' && shadow.up.has('lever-tied')) return 'a bottle hung with the lever tied'
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
export function disagreement(shadow: Shadow, state: JobState): string | undefined {
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
  const { says } = cabView(state)
  if (shadow.open.size > 0 && says === 'release') return 'RELEASE with a joint open'
  if (
    shadow.up.has('foot-held') &&
    !['hold', 'release', 'parked', 'ended'].includes(says) &&
    state.run?.plateConfirmed
  )
    return `${says} with the foot down for the tool`
  const clear = shadow.open.size + shadow.up.size + shadow.broken.length === 0
  if (!clear && filingRefusal(state, 'fit') === undefined) return 'could be filed as fit'
  return undefined
}
