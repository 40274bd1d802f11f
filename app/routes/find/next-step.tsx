import { useState } from 'react'
import { Cautions } from '~/components/cautions'
import { HoldFor } from '~/components/hold-for'
import { useSay } from '~/lib/say'
import { Button, LinkButton } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import type { Next } from '~core/diagnosis/answer'
import { causeOf } from '~core/diagnosis/causes'
import { checkOf } from '~core/diagnosis/checks'
import { ledOf } from '~core/diagnosis/led'
import type { Case } from '~core/diagnosis/request'
import { foundAt } from '~core/diagnosis/shares'
import type { FaultFinding } from '~core/job/events/fault-looked'
import { repairSheetOf } from '~core/repair-sheets'
import { lineId } from '~core/rig/parts/line'
import { partFact, partsOf } from '~core/vehicle/parts'
import type { Vehicle } from '~core/vehicle/schema'
import { CheckSketch } from './check-sketch'
import { money, percent } from './figures'
import { InTurn } from './in-turn'
import { LedCheck } from './led-check'
import { LedSteps } from './led-steps'

type Props = {
  step: Next
  /** What comes first, and was not chosen by hand. */
  advised: boolean
  of: Case
  vehicle?: Vehicle
  locked: boolean
  jobId?: string
  /** Where what is to be mended sits, where that is known. */
  at?: string
  onFinding: (next: FaultFinding) => void
}

/** What holds for every repair; the plan that follows has those of its own. */
const MENDING = ['never-press-open', 'eye-protection', 'wheel-on-stands']

/** What to do now, large; its answers are areas that a glove hits. */
export function NextStep(props: Props) {
  return props.step.kind === 'check' ? <Look {...props} /> : <Mend {...props} />
}

function Look({ step, of, vehicle, locked, onFinding }: Props) {
  const say = useSay()
  const check = checkOf(step.id)
  const [at, setAt] = useState(foundAt(of) ?? '')
  const [several, setSeveral] = useState<readonly string[]>([])
  const led = ledOf(step.id)
  if (!check) return null
  const answerAt = (place: string, ...results: string[]) =>
    onFinding({
      complaint: of.complaint,
      tried: of.tried,
      found: [
        ...of.found,
        ...results.map((result) => ({
          check: step.id,
          result,
          ...(check.where?.includes(result) && place !== '' && { at: place }),
        })),
      ],
    })
  const answer = (...results: string[]) => answerAt(at, ...results)
  const hoses = check.inTurn && vehicle ? hosesOf(vehicle) : []
  const [none = '', ...places] = check.results
  return (
    <Panel className="grid gap-4" aria-labelledby="next-look">
      <div className="flex flex-col-reverse items-start gap-5 sm:flex-row">
        <div className="grid min-w-0 flex-1 gap-3">
          <p className="text-quiet">
            {say(fact(`check-${step.id}-name`))}, about {Math.ceil(step.minutes)} min
          </p>
          <h1 id="next-look" className="text-2xl leading-snug sm:text-3xl">
            {say(step)}
          </h1>
        </div>
        <CheckSketch id={step.id} />
      </div>
      <Cautions codes={check.cautions} />
      {check.steps !== undefined && <LedSteps check={step.id} count={check.steps} />}
      {check.where && vehicle && hoses.length === 0 && (
        <Where vehicle={vehicle} value={at} onChange={setAt} />
      )}
      {check.holdS !== undefined && <HoldFor holdS={check.holdS} />}
      {hoses.length > 0 ? (
        <InTurn
          places={hoses}
          results={[none, places[0] ?? none]}
          locked={locked}
          onResult={(result, place = '') => answerAt(place, result)}
        />
      ) : check.several ? (
        <>
          <div className="grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
            {places.map((result) => (
              <Button
                key={result}
                size="glove"
                disabled={locked}
                chosen={several.includes(result)}
                onClick={() =>
                  setSeveral((before) =>
                    before.includes(result) ? before.filter((each) => each !== result) : [...before, result],
                  )
                }
                className="text-xl"
              >
                {several.includes(result) && <span aria-hidden="true">✓</span>}
                {say(fact(`result-${result}`))}
              </Button>
            ))}
          </div>
          <Button
            disabled={locked}
            onClick={() => (several.length > 0 ? answer(...several) : answer(none))}
            main
            size="glove"
            className="text-xl"
          >
            {several.length > 0 ? 'Wet there' : say(fact(`result-${none}`))}
          </Button>
        </>
      ) : (
        <div className="grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
          {check.results.map((result) => (
            <Button
              key={result}
              disabled={locked}
              onClick={() => answer(result)}
              size="glove"
              className="text-xl"
            >
              {say(fact(`result-${result}`))}
            </Button>
          ))}
        </div>
      )}
      {led && vehicle && (
        <LedCheck
          led={led}
          vehicle={vehicle}
          complaint={of.complaint}
          locked={locked}
          onResult={(result, place) => answerAt(place ?? at, result)}
        />
      )}
      <details>
        <summary className="font-bold">What the answer would change</summary>
        <ul className="grid gap-2">
          {step.answers?.map(({ result, chance, cause, share }) => (
            <li key={result}>
              <strong>{say(fact(`result-${result}`))}</strong> ({percent(chance)} likely): then most likely{' '}
              {say(fact(`cause-${cause}`))}, {percent(share)}
            </li>
          ))}
        </ul>
      </details>
    </Panel>
  )
}

function Mend({ step, advised, of, locked, jobId, at, onFinding }: Props) {
  const say = useSay()
  const sheet = repairSheetOf(causeOf(step.id)?.at ?? '')
  return (
    <Panel className="grid gap-4" aria-labelledby="next-look">
      <p className="text-quiet">
        To mend: {say(fact(`cause-${step.id}`))}. {Math.ceil(step.minutes)} min and {money(step.cost)} in
        cost, its parts and the bleed after it counted.
      </p>
      <h1 id="next-look" className="text-3xl leading-snug">
        {say(step)}
      </h1>
      <Cautions codes={MENDING} />
      <p>{advised && 'No look that is left saves what it costs. '}The maker’s procedure comes before this.</p>
      {sheet && jobId && (
        <LinkButton
          to={`/jobs/${jobId}/sheets${at === undefined ? '' : `/${sheet.id}/${encodeURIComponent(at)}`}`}
          size="finger"
          className="justify-self-start"
        >
          Its sheet: keep, rebuild or renew
        </LinkButton>
      )}
      <div className="flex flex-wrap gap-3">
        <Button
          disabled={locked}
          onClick={() =>
            onFinding({ complaint: of.complaint, found: of.found, tried: of.tried, was: step.id })
          }
          size="glove"
          className="text-xl"
        >
          Done, and it is good
        </Button>
        <Button
          disabled={locked}
          onClick={() =>
            onFinding({ complaint: of.complaint, found: of.found, tried: [...of.tried, step.id] })
          }
          size="glove"
          className="text-xl"
        >
          Done, and it is still there
        </Button>
      </div>
    </Panel>
  )
}

/** Lines that end in a hose, as they are called here. */
const hosesOf = ({ lines }: Vehicle) =>
  lines
    .filter(({ segments }) => segments.some(({ kind }) => kind === 'hose'))
    .map((line) => ({ id: lineId(line), name: lineId(line) }))

/** At which wheel or line it is, where the answer is one of a place. */
function Where({
  vehicle,
  value,
  onChange,
}: {
  vehicle: Vehicle
  value: string
  onChange: (id: string) => void
}) {
  const say = useSay()
  const places = [
    ...partsOf(vehicle, 'wheel-brake').map((part) => ({ id: part.id, name: say(partFact(part)) })),
    ...vehicle.lines.map((line) => ({ id: lineId(line), name: `line: ${lineId(line)}` })),
  ]
  return (
    <label className="grid max-w-md gap-1">
      <span className="field-label">Where, if it is one place</span>
      <select className="input min-h-[56px]" value={value} onChange={(event) => onChange(event.target.value)}>
        <option value="">Not said</option>
        {places.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  )
}
