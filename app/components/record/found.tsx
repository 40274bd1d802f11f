import { Swatch } from '~/components/swatch'
import { readingWords } from '~/components/test/reading-words'
import { reasonNames, verdictWords } from '~/components/words'
import { useShow } from '~/lib/units'
import { colourClues } from '~core/fluid/specs/colour'
import { testerOf } from '~core/fluid/testers'
import type { JobState } from '~core/job/state'
import { partsOf } from '~core/vehicle/parts'
import { Part, Row } from './rows'

/** Every level that was looked at, by reservoir in the vehicle's order; older records have the first alone. */
function levelsSeen({ vehicle, checkIn }: JobState): { reservoir: string; ml: number }[] {
  return partsOf(vehicle, 'reservoir').flatMap(({ id }, i) => {
    const ml = checkIn?.work.levelMl?.[id] ?? (i === 0 ? checkIn?.levelMl : undefined)
    return ml === undefined ? [] : [{ reservoir: id, ml }]
  })
}

/** What was found before anything was done. */
export function Found({ state }: { state: JobState }) {
  const { checkIn } = state
  const show = useShow()
  const typed = (field: string) => (checkIn?.typed?.[field] ? ` (typed: ${checkIn.typed[field]})` : '')
  return (
    <Part title="Found">
      {checkIn && (
        <>
          <Row name="Why">{reasonNames[checkIn.work.reason]}</Row>
          <Row name="Opened, replaced">
            {[...checkIn.work.opened, ...checkIn.work.replaced.map((id) => `${id} (new)`)].join(', ') ||
              'nothing'}
          </Row>
          <Row name="Colour">
            <span className="inline-flex items-center gap-2">
              <Swatch colour={checkIn.colour} /> {colourClues[checkIn.colour].name}
            </span>
          </Row>
          {levelsSeen(state).map(({ reservoir, ml }, i, all) => (
            <Row key={reservoir} name={all.length > 1 ? `Level, ${reservoir}` : 'Level'}>
              {show('volume', ml)}
              {typed(`levelMl[${i}]`) || (i === 0 && typed('levelMl'))}
              {i === 0 && checkIn.portsStayedCovered && ', its ports covered all the time'}
            </Row>
          ))}
          {checkIn.odometerKm !== undefined && (
            <Row name="Odometer">
              {show('distance', checkIn.odometerKm)}
              {typed('odometerKm')}
            </Row>
          )}
          {checkIn.note && <Row name="Note">{checkIn.note}</Row>}
        </>
      )}
      <Reading state={state} />
    </Part>
  )
}

function Reading({ state: { tested } }: { state: JobState }) {
  const show = useShow()
  if (!tested) return null
  const { readings = [], judged, product, typed, tester } = tested
  if (readings.length === 0) return <Row name="Reading">none: {tested.notTakenWhy}</Row>
  return (
    <>
      {readings.map((reading, i) => (
        <Row key={`${reading.tester} ${reading.at}`} name={i === 0 ? 'Reading' : 'Second reading'}>
          {readingWords(reading, show)}, from the {reading.at}
          {typed?.[i === 0 ? 'value' : 'value2'] && ` (typed: ${typed[i === 0 ? 'value' : 'value2']})`}, by{' '}
          {testerOf(reading.tester).name.toLowerCase()}
          {reading.byInstrument && ', read from it'}
          {i === 0 && tester && ` (${tester})`}
        </Row>
      ))}
      {product && (
        <Row name="Product in it">
          {product.name}, dry {show('temperature', product.dryC)}, wet {show('temperature', product.wetC)}
        </Row>
      )}
      {judged && (
        <Row name="Judged">
          {verdictWords[judged.verdict].toLowerCase()}
          {judged.boilingC && `, boils at about ${show('temperature', judged.boilingC.likely)}`}
          {judged.marginC !== undefined &&
            `, ${show.apart('temperature', Math.abs(judged.marginC))} ${judged.marginC >= 0 ? 'above' : 'below'} the limit`}
        </Row>
      )}
    </>
  )
}
