import { Swatch } from '~/components/swatch'
import { reasonNames, verdictWords } from '~/components/words'
import { useShow } from '~/lib/units'
import { colourClues } from '~core/fluids/colour'
import { moistureVerdict } from '~core/moisture/verdict'
import type { JobState } from '~core/run/state'
import { Part, Row } from './rows'

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
          {checkIn.levelMl !== undefined && (
            <Row name="Level">
              {show('volume', checkIn.levelMl)}
              {typed('levelMl')}
            </Row>
          )}
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

function Reading({ state: { tested, vehicle, planned } }: { state: JobState }) {
  const show = useShow()
  if (!tested) return null
  if (!tested.reading) return <Row name="Reading">none: {tested.notTakenWhy}</Row>
  const { kind, value, at } = tested.reading
  const unit = {
    'water-pct': '% water',
    'boiling-c': 'boiling',
    'copper-ppm': 'ppm copper',
    megohm: 'MΩ',
  }[kind]
  const { verdict, boilingC } = moistureVerdict(
    vehicle.fluid.spec,
    tested.reading,
    undefined,
    undefined,
    planned?.shop.heightM,
  )
  return (
    <Row name="Reading">
      {kind === 'boiling-c' ? show('temperature', value) : value} {unit}, from the {at}
      {tested.typed?.value && ` (typed: ${tested.typed.value})`}
      {tested.tester && `, by ${tested.tester}`}: {verdictWords[verdict].toLowerCase()}
      {boilingC !== undefined && `, boils at about ${show('temperature', boilingC)}`}
    </Row>
  )
}
