import { useJobHere } from '~/client/job/job-here'
import { LinkLine } from '~/components/bay/link-line'
import { showMoment, upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import type { Station } from '~/routes/job/station'
import { Notice } from '~/ui/notice'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import { bleedDone } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import { mayNotPower, pedalDeeper, type ReadTime, readingWrong, workedUnits } from '~core/job/unit-ledger'
import { partFact, partsOf } from '~core/vehicle/parts'
import type { PartOf } from '~core/vehicle/schema'
import { FittedForm } from './fitted-form'
import { ReadingForm } from './reading-form'
import { ReadingLines } from './reading-lines'

export const handle: Station = { parksHere: true }

/** What was changed on the control units of this vehicle, and what they say of themselves before and after. */
export default function JobUnitPage() {
  const { state, act, refusal, link, keeps, keeping, waiting, jobId } = useJobHere()
  const units = partsOf(state.vehicle, 'control-unit')
  return (
    <div className="grid gap-5">
      <title>{`${state.plate}: Control unit · Ruddy Siphon`}</title>
      <h1 className="text-2xl">The control unit, before and after</h1>
      {refusal && (
        <p role="alert" className="fault">
          {refusal}
        </p>
      )}
      {units.length === 0 && <p>This vehicle has none.</p>}
      <p className="text-sm text-quiet">
        <LinkLine link={link} jobId={jobId} keeps={keeps} keeping={keeping} waiting={waiting} />
      </p>
      {units.map((unit) => (
        <UnitPanels key={unit.id} unit={unit} state={state} act={act} />
      ))}
    </div>
  )
}

/** Which reading is due: as it came in, after the work, after the drive. */
function timeNow(state: JobState): ReadTime {
  if (!state.run || !bleedDone(state)) return 'before'
  return state.proofs['road-test']?.passed ? 'driven' : 'after'
}
const readNames: Record<ReadTime, string> = {
  before: 'Read it as it came in',
  after: 'Read it after the work',
  driven: 'Read it after the drive',
}

type Props = { unit: PartOf<'control-unit'>; state: JobState; act: ReturnType<typeof useJobHere>['act'] }

function UnitPanels({ unit, state, act }: Props) {
  const say = useSay()
  const { id } = unit
  const ledger = state.units?.[id] ?? {}
  const locked = state.filed !== undefined
  const when = timeNow(state)
  const replaced = state.checkIn?.work.replaced.includes(id) === true
  const gate = mayNotPower(state)
  const worked = workedUnits(state).some((each) => each.id === id)
  const wrong = worked
    ? ((ledger.driven && readingWrong(state, id, ledger.driven, 'driven')) ??
      (ledger.after && readingWrong(state, id, ledger.after)) ??
      pedalDeeper(state))
    : undefined
  return (
    <section className="grid items-start gap-5 lg:grid-cols-2" aria-label={upperFirst(say(partFact(unit)))}>
      <Panel as="div" className="grid gap-4">
        <h2>{upperFirst(say(partFact(unit)))}</h2>
        {ledger.before && <ReadingLines name="As it came in" reading={ledger.before} />}
        {ledger.after && <ReadingLines name="After the work" reading={ledger.after} />}
        {ledger.driven && <ReadingLines name="After the drive" reading={ledger.driven} />}
        {!ledger.before && !ledger.after && (
          <p>
            Nobody has read it yet. Read its codes before anything is opened: afterwards nobody knows which
            were old.
          </p>
        )}
        {wrong && (
          <Notice role="alert" kind="stop" className="text-xl font-extrabold">
            {say(wrong)}
          </Notice>
        )}
        {replaced && (
          <>
            <h2>What was fitted</h2>
            <p>
              It stays unplugged until both numbers are here and agree: a unit of another vehicle may brake
              one wheel for another.
            </p>
            {ledger.fitted && (
              <p role="status" className="font-bold">
                {ledger.fitted.newNumber} for {ledger.fitted.oldNumber},{' '}
                {say(fact(`unit-${ledger.fitted.origin}`))}, {showMoment(ledger.fitted.at)}.
              </p>
            )}
            {gate && gate.params?.unit === id && (
              <Notice role="alert" kind="stop" className="text-xl font-extrabold">
                {say(gate)}
              </Notice>
            )}
            <FittedForm
              key={`${ledger.fitted?.at} ${ledger.before?.number}`}
              unit={id}
              kept={ledger.fitted}
              saidBefore={ledger.before?.number}
              locked={locked}
              act={act}
            />
          </>
        )}
      </Panel>
      {!locked && (
        <Panel as="div" className="grid gap-4">
          <h2>{readNames[when]}</h2>
          <ReadingForm
            key={`${when} ${ledger[when]?.at}`}
            unit={id}
            when={when}
            positions={partsOf(state.vehicle, 'wheel-brake').map(({ position }) => position)}
            act={act}
          />
        </Panel>
      )}
    </section>
  )
}
