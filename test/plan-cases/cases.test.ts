import { describe, expect, test } from 'vitest'
import type { Stage } from '~core/plan/answer'
import { type OnRig, planOnRig } from '~core/plan/on-rig'
import type { Step } from '~core/technique/step'
import { techniqueFact } from '~core/technique/technique'
import { sayMetric } from '~core/words'
import { planCases } from '.'
import type { PlanCase } from './case'
import { planOf, requestOf } from './plan-of'

/** The plan worked through on the simulated vehicle, once a case. */
const ran = new Map<PlanCase, OnRig | undefined>()
function rigOf(worked: PlanCase): OnRig | undefined {
  if (!ran.has(worked)) ran.set(worked, planOnRig(requestOf(worked), planOf(worked)))
  return ran.get(worked)
}

const said = ({ kind, technique }: Stage) => (technique ? `${kind}: ${technique}` : kind)
/** Steps of a unit’s routine by what they do, since their own ids are numbers. */
const stepName = ({ id, code }: Step) => (code.startsWith('procedure-') ? code : id)
/** What stands in both, in the order of the first. */
const among = (all: readonly string[], wanted: readonly string[]) => all.filter((id) => wanted.includes(id))

describe.each(Object.entries(planCases))('%s', (_chapter, cases) => {
  test.each(cases.map((each) => [each.name, each] as const))('%s', (_name, worked) => {
    const {
      stops = [],
      stages,
      order,
      steps,
      cautions = [],
      reasons = [],
      notTaken = {},
      pressureKPa,
      totalMl,
      drawToMl,
      rinses,
      never = [],
      onRig,
    } = worked.expect
    const plan = planOf(worked)
    expect(plan.stops.map(({ code }) => code)).toEqual(stops)
    expect(plan.verdict).toBe(stops.length > 0 ? 'stop' : 'go')
    if (stages) expect(plan.stages.map(said)).toEqual(stages)
    if (order) expect([...new Set(plan.stages.flatMap((stage) => stage.order))]).toEqual(order)
    const done = plan.stages.flatMap(({ before, after }) => [...before, ...after].map(stepName))
    if (steps) expect(among(done, steps)).toEqual(steps)
    expect(plan.cautions.map(({ code }) => code)).toEqual(expect.arrayContaining(cautions))
    expect(plan.reasons.map(({ code }) => code)).toEqual(expect.arrayContaining(reasons))
    const why = Object.fromEntries(
      plan.ways.flatMap((way) => way.notTaken.map(({ technique, code }) => [technique, code])),
    )
    expect(why).toMatchObject(notTaken)
    if (totalMl) expect(plan.fluid.totalMl).toBeGreaterThan(totalMl[0])
    if (totalMl) expect(plan.fluid.totalMl).toBeLessThan(totalMl[1])
    if (drawToMl) expect(plan.fluid.drawToMl).toEqual(drawToMl)
    if (rinses !== undefined) expect(Object.keys(plan.fluid.rinseMl).length > 0).toBe(rinses)
    const all = [
      ...plan.cautions,
      ...plan.reasons,
      ...plan.stages.flatMap((each) => [...each.before, ...each.after]),
    ]
    expect(all.map(({ code }) => code).filter((code) => never.includes(code))).toEqual([])
    const rig = rigOf(worked)
    expect(rig?.ranDry ?? false).toBe(false)
    expect((rig?.faults ?? []).map(({ code }) => code)).toEqual(onRig?.faults ?? [])
    if (typeof pressureKPa === 'number') expect(plan.pressureKPa).toBe(pressureKPa)
    else if (pressureKPa) expect(plan.pressureKPa).toBeLessThanOrEqual(pressureKPa.atMost)
  })
})

/** A case as it is read by a person: what happened, what is done, and why. */
function told(worked: PlanCase): string {
  const plan = planOf(worked)
  const { work, shop } = worked
  const lines = [`### ${worked.name}`, '', worked.reasoning, '']
  if (worked.settles) lines.push(`Settles: ${worked.settles}.`, '')
  const asked = { work, ...(Object.keys(shop).length > 0 && { shop }) }
  lines.push(`\`${worked.vehicle}\`, asked: \`${JSON.stringify(asked)}\``, '')
  for (const stop of plan.stops) lines.push(`- **Stop** \`${stop.code}\`: ${sayMetric(stop)}`)
  const { fluid } = plan
  if (plan.verdict === 'go') {
    const amounts = Object.entries(fluid.perBleederMl).map(([id, ml]) => `${id} ${Math.round(ml)}`)
    const drawn = Object.values(fluid.drawToMl).map(Math.round)
    const rinsed = Object.values(fluid.rinseMl).map(Math.round)
    const begun = drawn.length > 0 ? `, drawn down to ${drawn.join(' and ')}` : ''
    const washed = rinsed.length > 0 ? `, rinsed with ${rinsed.join(' and ')}` : ''
    lines.push(`- ${Math.round(fluid.totalMl)} mL in all${begun}${washed}; through ${amounts.join(', ')} mL`)
  }
  for (const stage of plan.stages) {
    const way = stage.technique ? ` (${sayMetric(techniqueFact({ id: stage.technique }))})` : ''
    const opened = stage.order.length > 0 ? `: ${stage.order.join(' → ')}` : ''
    const amount = stage.ml > 0 ? `, ${Math.round(stage.ml)} mL` : ''
    lines.push(`- ${stage.kind}${way}${opened}${amount}, ${Math.round(stage.minutes)} min`)
  }
  const rig = rigOf(worked)
  if (rig) {
    const worst = Math.max(0, ...Object.keys(plan.expectedOldPct).map((id) => rig.oldPct[id] ?? 0))
    const { targetOldPct } = fluid
    const old = targetOldPct === undefined ? '' : `${worst.toFixed(1)} % old at worst for ${targetOldPct}, `
    const air = rig.airMl < 0.1 ? 'no air' : `${rig.airMl.toFixed(1)} mL of air`
    const why = worked.expect.onRig ? ` (${worked.expect.onRig.why})` : ''
    lines.push(`- On the rig: ${old}${air}, ${Math.round(rig.usedMl)} mL used${why}`)
  }
  return `${lines.join('\n')}\n`
}

test('docs/plan-cases.md tells every case with what the program answers', async () => {
  const chapters = Object.entries(planCases).map(
    ([chapter, cases]) => `## ${chapter}\n\n${cases.map(told).join('\n')}`,
  )
  await expect(
    `# Worked plans\n\nMade by the tests from \`test/plan-cases\`, where what is expected was written down first.\n\n${chapters.join('\n')}`,
  ).toMatchFileSnapshot('../../docs/plan-cases.md')
})
