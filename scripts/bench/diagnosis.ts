import { Chance } from '~core/base/random'
import { weighAll } from '~core/diagnosis/decide/least-cost'
import { MENDED, type Model } from '~core/diagnosis/decide/model'
import { repairsOnly } from '~core/diagnosis/decide/repairs-only'
import { line, medianMs, ms } from './measure'

const CAUSES = 20
const CHECKS = 25

/** Made up, and as hard as any: every check says something about every cause. */
function hardModel(): Model {
  const chance = new Chance(3)
  const causes = Array.from({ length: CAUSES }, (_, i) => i)
  return {
    prior: Float64Array.from(causes, () => 0.05 + chance.next()),
    checks: Array.from({ length: CHECKS }, () => {
      const shown = causes.map(() => chance.next())
      return {
        cost: 1 + 40 * chance.next(),
        results: [
          { chance: Float64Array.from(shown) },
          { chance: Float64Array.from(shown, (each) => 1 - each) },
        ],
      }
    }),
    repairs: causes.map((mends) => ({
      cost: 20 + 300 * chance.next(),
      failCost: 15,
      leaves: Int16Array.from(causes, (cause) => (cause === mends ? MENDED : cause)),
    })),
  }
}

export async function benchDiagnosis() {
  const model = hardModel()
  const taken = await medianMs(60, () => weighAll(model))
  const blind = await medianMs(2000, () => repairsOnly(model, model.prior))
  line(
    `next step of ${CAUSES} causes and ${CHECKS} checks, median of 60`,
    `${ms(taken)} = ${Math.round(taken / blind)} × one blind order`,
    'under 50 ms',
  )
}
