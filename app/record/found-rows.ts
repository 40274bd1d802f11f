import { readingWords } from '~/lib/reading-words'
import { reasonNames, verdictWords } from '~/lib/words'
import { colourFact } from '~core/fluid/specs/colour'
import { testerFact } from '~core/fluid/testers'
import type { JobState } from '~core/job/state'
import type { Show } from '~core/units/show'
import { partsOf } from '~core/vehicle/parts'
import { sayEnglish } from '~core/words'
import type { DocumentRow } from './document-schema'

/** What was found before anything was done. */
export function foundRows(state: JobState, show: Show): DocumentRow[] {
  const { checkIn } = state
  if (!checkIn) return readingRows(state, show)
  const typed = (field: string) => (checkIn.typed?.[field] ? ` (typed: ${checkIn.typed[field]})` : '')
  const opened = [...checkIn.work.opened, ...checkIn.work.replaced.map((id) => `${id} (new)`)].join(', ')
  return [
    { name: 'Why', text: reasonNames[checkIn.work.reason] },
    { name: 'Opened, replaced', text: opened || 'nothing' },
    ...((checkIn.work.pistonsHome ?? []).length > 0
      ? [{ name: 'Pistons pressed home', text: (checkIn.work.pistonsHome ?? []).join(', ') }]
      : []),
    { name: 'Colour', text: sayEnglish(show)(colourFact(checkIn.colour)), colour: checkIn.colour },
    ...levelsSeen(state).map(({ reservoir, ml }, i, all) => ({
      name: all.length > 1 ? `Level, ${reservoir}` : 'Level',
      text: [
        show('volume', ml),
        typed(`levelMl[${i}]`) || (i === 0 ? typed('levelMl') : ''),
        i === 0 && checkIn.portsStayedCovered ? ', its ports covered all the time' : '',
      ].join(''),
    })),
    ...(checkIn.odometerKm === undefined
      ? []
      : [{ name: 'Odometer', text: show('distance', checkIn.odometerKm) + typed('odometerKm') }]),
    ...(checkIn.note ? [{ name: 'Note', text: checkIn.note }] : []),
    ...readingRows(state, show),
  ]
}

/** Every level that was looked at, by reservoir in the vehicle's order; older records have the first alone. */
function levelsSeen({ vehicle, checkIn }: JobState): { reservoir: string; ml: number }[] {
  return partsOf(vehicle, 'reservoir').flatMap(({ id }, i) => {
    const ml = checkIn?.work.levelMl?.[id] ?? (i === 0 ? checkIn?.levelMl : undefined)
    return ml === undefined ? [] : [{ reservoir: id, ml }]
  })
}

function readingRows({ tested }: JobState, show: Show): DocumentRow[] {
  if (!tested) return []
  const { readings = [], judged, product, typed, tester } = tested
  if (readings.length === 0) return [{ name: 'Reading', text: `none: ${tested.notTakenWhy ?? ''}` }]
  return [
    ...readings.map((reading, i) => {
      const asTyped = typed?.[i === 0 ? 'value' : 'value2']
      return {
        name: i === 0 ? 'Reading' : 'Second reading',
        text: [
          `${readingWords(reading, show)}, from the ${reading.at}`,
          asTyped ? ` (typed: ${asTyped})` : '',
          `, by ${sayEnglish(show)(testerFact(reading.tester))}`,
          reading.byInstrument ? ', read from it' : '',
          i === 0 && tester ? ` (${tester})` : '',
        ].join(''),
      }
    }),
    ...(product
      ? [
          {
            name: 'Product in it',
            text: `${product.name}, dry ${show('temperature', product.dryC)}, wet ${show('temperature', product.wetC)}`,
          },
        ]
      : []),
    ...(judged
      ? [
          {
            name: 'Judged',
            text: [
              verdictWords[judged.verdict].toLowerCase(),
              judged.boilingC ? `, boils at about ${show('temperature', judged.boilingC.likely)}` : '',
              judged.marginC === undefined
                ? ''
                : `, ${show.apart('temperature', Math.abs(judged.marginC))} ${judged.marginC >= 0 ? 'above' : 'below'} the limit`,
            ].join(''),
          },
        ]
      : []),
  ]
}
