import { type Compiled, compile } from '~core/diagnosis/compile'
import { weighAll } from '~core/diagnosis/decide/least-cost'
import type { Model } from '~core/diagnosis/decide/model'
import { readDiagnoseRequest } from '~core/diagnosis/request'
import { weightedOf } from '~core/diagnosis/shares'
import { examples } from '~core/vehicle/examples'
import type { DiagnosisCase } from './cases'

/** How far each figure that bears on a case would have to be wrong to change what comes first. */
export function changedBy(worked: DiagnosisCase): {
  figures: number
  by2: number
  by4: number
  first: string
} {
  const read = readDiagnoseRequest({
    format: 'ruddy-siphon.diagnose-request',
    version: 1,
    ...(worked.vehicle && { vehicle: examples[worked.vehicle]?.file }),
    complaint: worked.complaint,
    history: worked.history,
    found: (worked.found ?? []).map((look) => {
      const [check, result] = look.split('=')
      return { check, result }
    }),
  })
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  const compiled = compile(read.value, weightedOf(read.value))
  const first = firstOf(compiled, compiled.model)
  const changes = { figures: 0, by2: 0, by4: 0 }
  for (const wrong of figuresOf(compiled.model)) {
    changes.figures++
    const by = (factor: number) =>
      [factor, 1 / factor].some((each) => firstOf(compiled, wrong(each)) !== first)
    if (by(4)) {
      changes.by4++
      if (by(2)) changes.by2++
    }
  }
  return { ...changes, first }
}

function firstOf({ checks, repairs }: Compiled, model: Model): string {
  const best = weighAll(model).reduce((a, b) => (b.cost + b.after < a.cost + a.after ? b : a))
  return (best.kind === 'check' ? checks[best.index]?.check.id : repairs[best.index]?.repair.id) ?? ''
}

/** Every figure, as the model that it would make if it were so many times as large; chances as odds. */
function figuresOf(model: Model): ((factor: number) => Model)[] {
  const priors = [...model.prior.keys()]
    .filter((i) => (model.prior[i] ?? 0) > 0.005)
    .map((i) => (factor: number) => ({
      ...model,
      prior: model.prior.map((each, j) => (j === i ? factor * each : each)),
    }))
  const shown = model.checks.flatMap((check, c) =>
    [...model.prior.keys()]
      .filter((i) => (model.prior[i] ?? 0) > 0.02)
      .map((i) => (factor: number) => {
        const odds = check.results.map(({ chance }, r) => (r === 1 ? factor : 1) * (chance[i] ?? 0))
        const sum = odds.reduce((all, each) => all + each, 0)
        const results = check.results.map((result, r) => ({
          ...result,
          chance: result.chance.map((each, j) => (j === i ? (odds[r] ?? 0) / sum : each)),
        }))
        return { ...model, checks: model.checks.map((each, k) => (k === c ? { ...check, results } : each)) }
      }),
  )
  return [...priors, ...shown]
}
