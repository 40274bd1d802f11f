import { counted, showDate, showMoment, showTime } from '~/lib/format'
import { outcomeMarks, outcomeWords } from '~/lib/words'
import { fact } from '~core/base/decision'
import { checksFor, proofFact } from '~core/job/proofs/checks'
import type { JobState } from '~core/job/state'
import type { Units } from '~core/units/units'
import type { Say } from '~core/words'
import { certificateOf } from './certificate'
import { declinedWords } from './declined-words'
import { DOCUMENT_VERSION, type DocumentRow, type RecordDocument } from './document-schema'
import { doneRows, type Poured, pointTable } from './done-rows'
import { foundRows } from './found-rows'
import { unitLines } from './unit-lines'

/** What a record shows beside the job: what its fluid came from, why it is due again, in whose units and words. */
export type Reader = { say: Say; units: Units; poured: readonly Poured[]; money: string; dueWhy?: string }

/** A job as its record tells it. */
export function recordDocument(state: JobState, reader: Reader): RecordDocument {
  const { filed, plate, vehicle, openedAt } = state
  const proved = filed?.outcome !== 'declined' && filed?.outcome !== 'kept'
  const way = onTheWay(state, reader.say)
  return {
    version: DOCUMENT_VERSION,
    plate,
    vehicle: vehicle.name,
    opened: `Opened ${showTime(openedAt)}`,
    ...(filed && {
      filed: `filed ${showTime(filed.at)}`,
      outcome: {
        mark: outcomeMarks[filed.outcome],
        words: outcomeWords[filed.outcome],
        sound: filed.outcome === 'fit' || filed.outcome === 'kept',
      },
    }),
    parts: [
      { title: 'Found', rows: foundRows(state, reader.say.show) },
      { title: 'Done', rows: doneRows(state, reader) },
    ],
    points: pointTable(state, reader.say.show, reader.units),
    lists: [
      { title: 'On the way', lines: way },
      { title: 'Checks that failed', lines: failedLines(state, reader.say) },
      { title: 'Control unit', lines: unitLines(state, reader.say) },
      { title: 'Parts looked at', lines: sheetLines(state, reader.say) },
      { title: 'Declined by the customer', lines: declinedWords(state, reader.say) },
    ].filter(({ lines }) => lines.length > 0),
    ...(proved && { proofs: { title: 'Proof', checks: proofLines(state, reader.say) } }),
    signed: signedRows(state, reader.say),
    certificate: certificateOf(state, reader),
  }
}

/** Every check this job needed, with its measure and limit; what was not checked says so. */
function proofLines(state: JobState, say: Say): { mark: string; text: string }[] {
  return checksFor(state).map(({ id, measure }) => {
    const proof = state.proofs[id]
    const measured =
      measure && proof?.value !== undefined ? `: ${proof.value} ${measure.unit} (at most ${measure.max})` : ''
    const ended = proof === undefined ? ', not checked' : proof.passed ? '' : ', FAILED'
    const remedy = proof?.remedy ? `; failed before, then: ${proof.remedy}` : ''
    return {
      mark: proof === undefined ? '·' : proof.passed ? '✓' : '✗',
      text: `${say(proofFact(id))}${measured}${ended}${remedy}`,
    }
  })
}

/** Each time that a check failed, and what came of it. */
const failedLines = (state: JobState, say: Say): string[] =>
  (state.failedProofs ?? []).map(({ check, value, note, remedy, at, by }) => {
    const unit = checksFor(state).find(({ id }) => id === check)?.measure?.unit ?? ''
    const found = [...(value === undefined ? [] : [`${value} ${unit}`.trim()]), ...(note ? [note] : [])]
    const who = by ? `, ${by.name}` : ''
    return `${say(proofFact(check))}, ${showMoment(at)}${who}: FAILED${found.map((each) => `, ${each}`).join('')}; ${remedy ? `then: ${remedy}` : 'nothing was written down about it'}.`
  })

/** What went wrong on the way, how often it was left, where it stood by mistake, who sent what for whom. */
function onTheWay({ troubles, parkings, parked, movedFrom, late, sentFor }: JobState, say: Say): string[] {
  return [
    ...movedFrom.map(({ plate, name }) => `Begun on ${plate} (${name}) by mistake, and moved here.`),
    ...troubles.map(({ says, by }) => (by ? `${say(says)} (${by.name})` : say(says))),
    ...parkings.map(
      ({ parked: left, resumed }) =>
        `Parked by ${left.by?.name ?? 'nobody named'} (${left.why}), taken up by ${resumed.by?.name ?? 'nobody named'}: ${resumed.asLeft ? 'as left' : resumed.found}${left.leverTied ? ', its lever tied meanwhile' : ''}.`,
    ),
    ...(parked
      ? [
          `PARKED by ${parked.by?.name ?? 'nobody named'} (${parked.why})${parked.standsOpen.length > 0 ? `, ${parked.standsOpen.join(', ')} OPEN` : ''}${parked.leverTied ? ', its lever TIED' : ''}.`,
        ]
      : []),
    ...(late
      ? [
          `${counted(late.acts, 'act')} between ${showMoment(late.from)} and ${showMoment(late.to)} reached the server late: kept in the browser for up to ${Math.ceil(late.longestS / 60)} min.`,
        ]
      : []),
    ...(sentFor ?? []).map(
      ({ by, sentBy, acts }) =>
        `${counted(acts, 'act')} of ${by.name} sent from a screen that ${sentBy.name} held.`,
    ),
  ]
}

/** What was decided of each part that has a sheet, why, and what of it is still to be done. */
const sheetLines = ({ sheets = {} }: JobState, say: Say): string[] =>
  Object.values(sheets).map(({ sheet, place, verdict }) => {
    const name = `${say(fact(`sheet-name-${sheet}`))}, ${place}`
    if (!verdict) return `${name}: begun, not decided.`
    const { value, reasons, figures, still } = verdict
    return [
      `${name}: ${say(fact(`verdict-${value}`))}.`,
      ...[...reasons, ...still].map(say),
      ...figures.map((each) => `${say(each)}.`),
    ].join(' ')
  })

function signedRows({ filed, people }: JobState, { show }: Say): DocumentRow[] {
  if (!filed) return []
  const recorded = people.map(({ name }) => name).join(', ')
  return [
    { name: 'Done by', text: filed.doneBy },
    { name: 'Checked by', text: filed.checkedBy?.name ?? 'nobody' },
    { name: 'Filed by', text: filed.by?.name ?? 'not said' },
    ...(recorded !== filed.doneBy && recorded !== '' ? [{ name: 'Recorded by', text: recorded }] : []),
    { name: 'Used fluid', text: `${show('volume', filed.wasteMl)} into the drum` },
    ...(filed.nextDue ? [{ name: 'Next due', text: showDate(filed.nextDue) }] : []),
    ...(filed.note ? [{ name: 'Note', text: filed.note }] : []),
  ]
}
