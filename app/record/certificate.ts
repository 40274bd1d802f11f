import { counted, showDate } from '~/lib/format'
import { readingWords } from '~/lib/reading-words'
import { followUpFact, followUpsOf } from '~core/job/follow-ups'
import { bleedsAll } from '~core/job/learned/bleeds-all'
import { checksFor, proofFact } from '~core/job/proofs/checks'
import { bleedDone, planNow } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import { jobTally } from '~core/job/tally'
import type { Show } from '~core/units/show'
import type { Say } from '~core/words'
import { declinedWords } from './declined-words'
import type { Certificate } from './document-schema'

type Reader = { say: Say; dueWhy?: string }

/** What a customer is given: plain words, and only what they can make something of. */
export function certificateOf(state: JobState, { say, dueWhy }: Reader): Certificate {
  const { filed } = state
  return {
    done: doneSentences(state, say),
    measured: [...readings(state, say.show), ...pedal(state, say.show), ...proofs(state, say)],
    fluid: fluidWords(state, say.show),
    next: [
      filed?.nextDue
        ? `The brake fluid is due again on ${showDate(filed.nextDue)}${dueWhy ? `: ${dueWhy}` : ''}.`
        : 'No next date was set.',
      ...followUpsOf(state).map(({ id, dueOn }) => `${say(followUpFact(id))}: on ${showDate(dueOn)}.`),
    ].join(' '),
    people: `Done by ${filed?.doneBy || 'nobody named'}; checked by ${filed?.checkedBy?.name ?? 'nobody else'}.`,
  }
}

function doneSentences(state: JobState, say: Say): string[] {
  const { filed, checkIn, run, vehicle, troubles } = state
  if (filed?.outcome === 'declined') return ['The work that was advised was declined, and nothing was done.']
  if (filed?.outcome === 'kept')
    return ['The brake fluid was tested. It may stay in, and nothing was changed.']
  const renewed = checkIn?.work.replaced ?? []
  const opened = checkIn?.work.opened ?? []
  const places = [
    ...new Set(run?.stages.flatMap(({ at }) => Object.keys(at).filter((id) => at[id]?.finished))),
  ]
  const whole = run && bleedDone(state) && bleedsAll({ run, vehicle })
  return [
    ...(renewed.length > 0 ? [`Renewed: ${renewed.join(', ')}.`] : []),
    ...(opened.length > 0 ? [`Opened and closed again: ${opened.join(', ')}.`] : []),
    whole
      ? 'The brake fluid was exchanged at every wheel, until it came new and without air.'
      : places.length > 0
        ? `Bled until it came without air: ${places.join(', ')}. The rest of the fluid stayed in.`
        : 'The brakes were not bled.',
    ...(troubles.length > 0 ? [`On the way: ${troubles.map(({ says }) => say(says)).join(' ')}`] : []),
    ...declinedWords(state, say).map((words) => `Advised and declined: ${words}`),
    ...(filed?.note ? [filed.note] : []),
  ]
}

/** The fluid before and after, as it was read. */
function readings({ tested, filed }: JobState, show: Show): Certificate['measured'] {
  const before = tested?.readings?.[0]
  const after = filed?.readingAfter
  const boils = tested?.judged?.boilingC
  return [
    ...(before || after
      ? [
          {
            what: 'Brake fluid',
            before: before ? readingWords(before, show) : 'not read',
            after: after ? readingWords(after, show) : 'not read',
          },
        ]
      : []),
    ...(boils ? [{ what: 'It boils at about', before: show('temperature', boils.likely), after: '' }] : []),
  ]
}

/** The pedal by hand and rule, the first time and the last. */
function pedal({ pedal: felt = [] }: JobState, show: Show): Certificate['measured'] {
  const [before, after] = [felt.find(({ bled }) => !bled), felt.findLast(({ bled }) => bled)]
  if (!before && !after) return []
  const words = (of: typeof before) => (of ? show('length', of.firmMm) : 'not measured')
  return [{ what: 'Pedal travel until it is firm', before: words(before), after: words(after) }]
}

/** What was measured when the brakes were proved, and how many checks they passed. */
function proofs(state: JobState, say: Say): Certificate['measured'] {
  const checks = checksFor(state)
  const passed = checks.filter(({ id }) => state.proofs[id]?.passed).length
  if (state.filed?.outcome === 'declined' || state.filed?.outcome === 'kept') return []
  return [
    {
      what: 'Checks of the finished brakes',
      before: '',
      after: `${passed} of ${counted(checks.length, 'check')} passed`,
    },
    ...checks.flatMap(({ id, measure }) => {
      const value = state.proofs[id]?.value
      return measure && value !== undefined
        ? [
            {
              what: say(proofFact(id)),
              before: '',
              after: `${value} ${measure.unit} (at most ${measure.max})`,
            },
          ]
        : []
    }),
  ]
}

function fluidWords(state: JobState, show: Show): string {
  const plan = planNow(state)
  const used = jobTally(state).inMl
  if (!plan || used === 0) return 'No fluid was put in.'
  const from = state.containers.map(
    ({ product, batch }) => `${product || 'no name'}, batch ${batch || 'not written down'}`,
  )
  return `${plan.fluid.spec}, ${show('volume', used)}${from.length > 0 ? `, from ${[...new Set(from)].join('; ')}` : ', batch not written down'}.`
}
