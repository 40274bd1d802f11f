import { Form, Link } from 'react-router'
import { showDate } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { DateInput } from '~/ui/date-input'
import { Panel } from '~/ui/panel'
import { monthsAfter } from '~core/base/day'
import { wasteFact } from '~core/stock/waste'
import type { Drum } from '~server/store/waste.server'
import { DrumPicture } from './can'

/** A day many years ahead says no more than that. */
const MANY_MONTHS = 60

function fullWords(fullOn: string, today: string): string {
  if (fullOn <= today) return ': FULL, hand it over'
  return fullOn > monthsAfter(today, MANY_MONTHS)
    ? ', not full for years at this rate'
    : `, full about ${showDate(fullOn)} at this rate`
}

type Props = {
  drums: readonly Drum[]
  capacityMl: number
  today: string
  fault?: { kind: string; text: string; typed: Record<string, string> }
}

/** Used fluid by kind: how full each drum is, when it will be, and the way to hand it over. */
export function Drums({ drums, capacityMl, today, fault }: Props) {
  const show = useShow()
  const say = useSay()
  return (
    <Panel title="Used fluid">
      <p className="mb-3 text-sm">
        Apart by kind, never with solvents, never into soil or drain: handed to whoever may take it. Local
        rules come first.
      </p>
      {drums.length === 0 && (
        <p>No used fluid is on record yet: each filed job adds what it put into the drum.</p>
      )}
      <ul className="grid gap-4">
        {drums.map(({ kind, ml, fullOn, jobs, handedOver }) => (
          <li key={kind} className="grid grid-cols-[auto_1fr] gap-4 border-b border-rule pb-4">
            <DrumPicture
              share={ml / capacityMl}
              label={`${show('volume', ml)} of ${show('volume', capacityMl)}`}
            />
            <div className="grid gap-1">
              <h3 className="text-lg font-bold">{say(wasteFact(kind))}</h3>
              <p>
                <strong>{show('volume', ml)}</strong> of {show('volume', capacityMl)}
                {fullOn && fullWords(fullOn, today)}
              </p>
              <details>
                <summary className="font-semibold">
                  From {jobs.length === 1 ? '1 job' : `${jobs.length} jobs`}; hand it over
                </summary>
                <ul>
                  {jobs.map(({ on, ml: each, jobId, plate }) => (
                    <li key={`${on} ${jobId}`}>
                      {showDate(on)}, {show('volume', each)}
                      {jobId && (
                        <>
                          : <Link to={`/jobs/${jobId}/record`}>{plate || 'record'}</Link>
                        </>
                      )}
                    </li>
                  ))}
                </ul>
                {ml > 0 && (
                  <Form
                    method="post"
                    className="mt-2 grid gap-2 sm:grid-cols-2"
                    aria-label={`Hand over ${say(wasteFact(kind))}`}
                  >
                    <input type="hidden" name="kind" value={kind} />
                    <label>
                      <span className="field-label">Handed over on</span>
                      <DateInput name="on" defaultValue={today} max={today} />
                    </label>
                    <label>
                      <span className="field-label">Paper number</span>
                      <input
                        name="paper"
                        className="input"
                        autoComplete="off"
                        defaultValue={fault?.kind === kind ? fault.typed.paper : ''}
                      />
                    </label>
                    {fault?.kind === kind && <p className="fault sm:col-span-2">{fault.text}</p>}
                    <Button type="submit" name="intent" value="hand-over" className="sm:col-span-2">
                      Handed over, all {show('volume', ml)}
                    </Button>
                  </Form>
                )}
              </details>
              {handedOver.map(({ on, ml: each, paper, by }) => (
                <p key={`${on} ${paper}`} className="text-sm text-quiet">
                  Handed over {showDate(on)}: {show('volume', each)}, paper {paper}
                  {by && `, by ${by}`}
                </p>
              ))}
            </div>
          </li>
        ))}
      </ul>
    </Panel>
  )
}
