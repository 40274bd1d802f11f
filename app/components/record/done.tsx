import { readingWords } from '~/components/test/reading-words'
import { counted, showDate, showMoment } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { colourClues } from '~core/fluid/specs/colour'
import { planNow } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import { jobTally } from '~core/job/tally'
import { massBalance } from '~core/physics/exchange/mass-balance'
import { bleedSettings } from '~core/plan/answer'
import { techniqueFact } from '~core/technique/technique'
import { Part, Row } from './rows'

/** What was done, with what, and what moved. */
type Props = {
  state: JobState
  /** From which containers of the shelf, with what that cost. */
  poured: readonly { code: string; product: string; batch: string; ml: number; cost?: number }[]
  money: string
}

export function Done({ state, poured, money }: Props) {
  const { planned, run, earlier, bleedAgainWhy, containers, fromPaper } = state
  const tally = jobTally(state)
  const show = useShow()
  const { wantsAnswer } = massBalance({ ...tally, outMl: tally.outMl + tally.drawnMl })
  const plan = planNow(state)
  const set = plan && bleedSettings(plan)
  const say = useSay()
  // As planned, and as it was done in the end; how it came to that is told on the way.
  const asPlanned = planned?.plan.stages.find((stage) => stage.kind === 'bleed')?.technique
  const done = run?.stages.findLast(({ stage }) => stage.kind === 'bleed')?.stage.technique
  const techniques = [...new Set([asPlanned, done])].flatMap((id) => (id ? say(techniqueFact({ id })) : []))
  return (
    <Part title="Done">
      {!plan && <p>No plan was taken.</p>}
      {plan && (
        <>
          <Row name="Fluid">
            {plan.fluid.spec}
            {containers.map(
              ({ code, product, batch, sizeMl }) =>
                `, ${product ? `${product}, ` : ''}batch ${batch || '?'}${code ? `, ${code}` : ''}${sizeMl ? ` (${show('volume', sizeMl)})` : ''}`,
            )}
          </Row>
          <Row name="Method">
            {techniques.join(', then ')}
            {set?.pressureKPa !== undefined && `, ${show('pressure', set.pressureKPa)}`}
            {plan.vacuumKPa !== undefined && `, ${show('pressure', plan.vacuumKPa)} below atmosphere`}
          </Row>
          {plan.ways.map(
            ({ at, taken, usual, why }) =>
              why !== undefined &&
              taken &&
              usual && (
                <Row key={at} name="By hand">
                  {say(techniqueFact({ id: taken }))} (usual: {say(techniqueFact({ id: usual }))}): {why}
                </Row>
              ),
          )}
          {plan.order?.stated && (
            <Row name="Order">
              set by hand, {plan.order.bleeders.join(', ')} (usual: {plan.order.stated.usual.join(', ')}):{' '}
              {plan.order.stated.why}
              {plan.order.stated.warnings.map((warning) => (
                <span key={warning.code} className="block text-sm">
                  Warned: {say(warning)}
                </span>
              ))}
            </Row>
          )}
          {fromPaper && (
            <Row name="From paper">
              Done with the bay card by {fromPaper.doneBy} on {showDate(fromPaper.doneOn)}, entered afterwards
              by {fromPaper.by?.name ?? 'nobody named'}. No call was led on the screen.
              {fromPaper.note && ` ${fromPaper.note}`}
            </Row>
          )}
          {poured.length > 0 && (
            <Row name="From the shelf">
              {poured.map(({ code, ml }) => `${show('volume', ml)} of ${code}`).join(', ')}
              {poured.every(({ cost }) => cost !== undefined) &&
                `: fluid for ${poured.reduce((sum, { cost = 0 }) => sum + cost, 0).toFixed(2)} ${money}`}
            </Row>
          )}
          {containers.map(
            ({ code, beyondMl }) =>
              beyondMl !== undefined && (
                <Row key={code} name="Beyond the book">
                  {show('volume', beyondMl)} more was poured than {code} held; nobody said from where
                </Row>
              ),
          )}
          <Row name="Planned">{show('volume', plan.fluid.totalMl)}</Row>
        </>
      )}
      {state.filed?.readingAfter && (
        <Row name="Read after">{readingWords(state.filed.readingAfter, show)}, from the new fluid</Row>
      )}
      {(run?.plateConfirmed || earlier.length > 0) && (
        <Row name="Moved">
          {show('volume', tally.inMl)} poured, {show('volume', tally.outMl)} bled,{' '}
          {show('volume', tally.drawnMl)} drawn
          {tally.spilledMl > 0 && `, ${show('volume', tally.spilledMl)} spilled`}
          {wantsAnswer && `; ${show('volume', Math.abs(tally.unaccountedMl))} UNACCOUNTED FOR`}
        </Row>
      )}
      {earlier.map(({ why, plate, at }) => (
        <Row key={at} name="Given up">
          {say(why)}, on {plate}
        </Row>
      ))}
      {bleedAgainWhy.length > 0 && <Row name="Bled again">{bleedAgainWhy.join('; ')}</Row>}
    </Part>
  )
}

/** Every point that was worked at, in its order. */
export function Points({ state: { run } }: { state: JobState }) {
  const show = useShow()
  const rows =
    run?.stages.flatMap(({ stage, points, at }, i) =>
      points.map((id) => ({ key: `${i} ${id}`, id, planned: stage.mlByBleeder?.[id], progress: at[id] })),
    ) ?? []
  if (rows.length === 0) return null
  return (
    <section>
      <h2 className="mb-1">Bleeders, in the order they were opened</h2>
      <table className="w-full text-left">
        <thead>
          <tr className="border-b-2 border-ink [&>th]:pr-3">
            <th scope="col">Bleeder</th>
            <th scope="col">Through, {show.unit('volume')}</th>
            <th scope="col">Planned, {show.unit('volume')}</th>
            <th scope="col">Pulls</th>
            <th scope="col">Last seen</th>
            <th scope="col">State</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ key, id, planned, progress }) => (
            <tr key={key} className="border-b border-rule [&>td]:pr-3">
              <td className="font-bold">{id}</td>
              <td>{show.number('volume', progress?.ml ?? 0)}</td>
              <td>{planned === undefined ? '' : show.number('volume', planned)}</td>
              <td>{progress?.pulls ?? 0}</td>
              <td>
                {progress?.colour
                  ? `${colourClues[progress.colour].name}, ${progress.bubbles === 'none' ? 'no bubbles' : progress.bubbles}`
                  : ''}
              </td>
              <td>
                {progress?.finished
                  ? '✓ done'
                  : `✗ not done${progress?.trouble ? `, ${progress.trouble}` : ''}`}
                {progress && progress.airDrawn > 0 && `, air drawn in ${counted(progress.airDrawn, 'time')}`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}

/** What went wrong on the way, how often it was left, where it stood by mistake. */
export function OnTheWay({ state: { troubles, parkings, parked, movedFrom, late } }: { state: JobState }) {
  const say = useSay()
  const lines = [
    ...movedFrom.map(({ plate, name }) => `Begun on ${plate} (${name}) by mistake, and moved here.`),
    ...troubles.map(({ says, by }) => (by ? `${say(says)} (${by.name})` : say(says))),
    ...parkings.map(
      ({ parked: left, resumed }) =>
        `Parked by ${left.by?.name ?? 'nobody named'} (${left.why}), taken up by ${resumed.by?.name ?? 'nobody named'}: ${resumed.asLeft ? 'as left' : resumed.found}.`,
    ),
    ...(parked
      ? [
          `PARKED by ${parked.by?.name ?? 'nobody named'} (${parked.why})${parked.standsOpen.length > 0 ? `, ${parked.standsOpen.join(', ')} OPEN` : ''}.`,
        ]
      : []),
    ...(late
      ? [
          `${counted(late.acts, 'act')} between ${showMoment(late.from)} and ${showMoment(late.to)} reached the server late: kept in the browser for up to ${Math.ceil(late.longestS / 60)} min.`,
        ]
      : []),
  ]
  if (lines.length === 0) return null
  return (
    <section>
      <h2 className="mb-1">On the way</h2>
      <ul className="grid list-disc gap-0.5 pl-5">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </section>
  )
}
