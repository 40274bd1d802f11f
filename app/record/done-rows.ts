import { counted, showDate } from '~/lib/format'
import { readingWords } from '~/lib/reading-words'
import { colourFact } from '~core/fluid/specs/colour'
import { planNow } from '~core/job/selectors'
import type { JobState, PointRun } from '~core/job/state'
import { jobTally } from '~core/job/tally'
import { massBalance } from '~core/physics/exchange/mass-balance'
import { bleedSettings, type Plan } from '~core/plan/answer'
import { techniqueFact } from '~core/technique/technique'
import type { Show } from '~core/units/show'
import type { Units } from '~core/units/units'
import { type Say, sayEnglish } from '~core/words'
import type { DocumentRow, RecordDocument } from './document-schema'

/** From which container of the shelf, how much, and what that cost. */
export type Poured = { code: string; product: string; batch: string; ml: number; cost?: number }

type Fluid = { say: Say; poured: readonly Poured[]; money: string }

/** What was done, with what, and what moved. */
export function doneRows(state: JobState, { say, poured, money }: Fluid): DocumentRow[] {
  const { show } = say
  const plan = planNow(state)
  const { run, earlier, bleedAgainWhy } = state
  const tally = jobTally(state)
  const { wantsAnswer } = massBalance({ ...tally, outMl: tally.outMl + tally.drawnMl })
  return [
    ...(plan ? planRows(state, plan, say, poured, money) : [{ name: 'Plan', text: 'No plan was taken.' }]),
    ...(state.filed?.readingAfter
      ? [{ name: 'Read after', text: `${readingWords(state.filed.readingAfter, show)}, from the new fluid` }]
      : []),
    ...(run?.plateConfirmed || earlier.length > 0
      ? [
          {
            name: 'Moved',
            text: [
              `${show('volume', tally.inMl)} poured, ${show('volume', tally.outMl)} bled, ${show('volume', tally.drawnMl)} drawn`,
              tally.spilledMl > 0 ? `, ${show('volume', tally.spilledMl)} spilled` : '',
              wantsAnswer ? `; ${show('volume', Math.abs(tally.unaccountedMl))} UNACCOUNTED FOR` : '',
            ].join(''),
          },
        ]
      : []),
    ...earlier.map(({ why, plate }) => ({ name: 'Given up', text: `${say(why)}, on ${plate}` })),
    ...(bleedAgainWhy.length > 0 ? [{ name: 'Bled again', text: bleedAgainWhy.join('; ') }] : []),
  ]
}

function planRows(
  { planned, run, containers, fromPaper }: JobState,
  plan: Plan,
  say: Say,
  poured: readonly Poured[],
  money: string,
): DocumentRow[] {
  const { show } = say
  const set = bleedSettings(plan)
  // As planned, and as it was done in the end; how it came to that is told on the way.
  const asPlanned = planned?.plan.stages.find((stage) => stage.kind === 'bleed')?.technique
  const done = run?.stages.findLast(({ stage }) => stage.kind === 'bleed')?.stage.technique
  const techniques = [...new Set([asPlanned, done])].flatMap((id) => (id ? say(techniqueFact({ id })) : []))
  const cost = poured.reduce((sum, { cost = 0 }) => sum + cost, 0).toFixed(2)
  return [
    {
      name: 'Fluid',
      text: [
        plan.fluid.spec,
        ...containers.map(
          ({ code, product, batch, sizeMl }) =>
            `, ${product ? `${product}, ` : ''}batch ${batch || '?'}${code ? `, ${code}` : ''}${sizeMl ? ` (${show('volume', sizeMl)})` : ''}`,
        ),
      ].join(''),
    },
    {
      name: 'Method',
      text: [
        techniques.join(', then '),
        set?.pressureKPa === undefined ? '' : `, ${show('pressure', set.pressureKPa)}`,
        plan.vacuumKPa === undefined ? '' : `, ${show('pressure', plan.vacuumKPa)} below atmosphere`,
      ].join(''),
    },
    ...plan.ways.flatMap(({ taken, usual, why }) =>
      why !== undefined && taken && usual
        ? [
            {
              name: 'By hand',
              text: `${say(techniqueFact({ id: taken }))} (usual: ${say(techniqueFact({ id: usual }))}): ${why}`,
            },
          ]
        : [],
    ),
    ...(plan.order?.stated
      ? [
          {
            name: 'Order',
            text: [
              `set by hand, ${plan.order.bleeders.join(', ')} (usual: ${plan.order.stated.usual.join(', ')}): ${plan.order.stated.why}`,
              ...plan.order.stated.warnings.map((warning) => `. Warned: ${say(warning)}`),
            ].join(''),
          },
        ]
      : []),
    ...(fromPaper
      ? [
          {
            name: 'From paper',
            text: `Done with the bay card by ${fromPaper.doneBy} on ${showDate(fromPaper.doneOn)}, entered afterwards by ${fromPaper.by?.name ?? 'nobody named'}. No call was led on the screen.${fromPaper.note ? ` ${fromPaper.note}` : ''}`,
          },
        ]
      : []),
    ...(poured.length > 0
      ? [
          {
            name: 'From the shelf',
            text: `${poured.map(({ code, ml }) => `${show('volume', ml)} of ${code}`).join(', ')}${poured.every((each) => each.cost !== undefined) ? `: fluid for ${cost} ${money}` : ''}`,
          },
        ]
      : []),
    ...containers.flatMap(({ code, beyondMl }) =>
      beyondMl === undefined
        ? []
        : [
            {
              name: 'Beyond the book',
              text: `${show('volume', beyondMl)} more was poured than ${code} held; nobody said from where`,
            },
          ],
    ),
    { name: 'Planned', text: show('volume', plan.fluid.totalMl) },
  ]
}

/** Every point that was worked at, in its order. */
export function pointTable({ run }: JobState, show: Show, units: Units): RecordDocument['points'] {
  const rows =
    run?.stages.flatMap(({ stage, points, at }) =>
      points.map((id) => pointRow(id, stage.mlByBleeder?.[id], at[id], show)),
    ) ?? []
  if (rows.length === 0) return undefined
  const unit = units.volume
  return {
    title: 'Bleeders, in the order they were opened',
    head: ['Bleeder', `Through, ${unit}`, `Planned, ${unit}`, 'Pulls', 'Last seen', 'State'],
    rows,
  }
}

function pointRow(
  id: string,
  plannedMl: number | undefined,
  point: PointRun | undefined,
  show: Show,
): string[] {
  const seen = point?.colour
    ? `${sayEnglish(show)(colourFact(point.colour))}, ${point.bubbles === 'none' ? 'no bubbles' : point.bubbles}`
    : ''
  const state = point?.finished ? '✓ done' : `✗ not done${point?.trouble ? `, ${point.trouble}` : ''}`
  const air = point && point.airDrawn > 0 ? `, air drawn in ${counted(point.airDrawn, 'time')}` : ''
  return [
    id,
    show.number('volume', point?.ml ?? 0),
    plannedMl === undefined ? '' : show.number('volume', plannedMl),
    String(point?.pulls ?? 0),
    seen,
    state + air,
  ]
}
