import type { Corner, Technique, TechniqueMinutes } from '../technique/technique'
import type { Stage } from './answer'
import { type Build, minutesOf, stepsOf } from './stage'

/** What the machine keeps is bought with the first bleed. */
export const withKept = (stage: Stage, { keepsMl = 0 }: Technique): Stage => ({
  ...stage,
  ml: stage.ml + keepsMl,
})

export const amountsAt = (corners: readonly Corner[]): Record<string, number> =>
  Object.fromEntries(corners.map(({ bleeder, throughMl }) => [bleeder.id, throughMl]))

/** Bleeders one after the other, by one way. */
export function bleedStage(
  build: Build,
  technique: Technique,
  corners: readonly Corner[],
  minutes: TechniqueMinutes,
  reasons: string[],
): Stage {
  return {
    kind: 'bleed',
    method: technique.method,
    technique: technique.id,
    order: corners.map(({ bleeder }) => bleeder.id),
    points: [],
    ...minutesOf(minutes),
    ml: corners.reduce((sum, { throughMl }) => sum + throughMl, 0),
    mlByBleeder: amountsAt(corners),
    reasons,
    ...stepsOf(build, 'bleed', technique),
  }
}
