import type { PlanCase } from './case'
import { choiceCases } from './choices'
import { exchangeCases } from './exchanges'
import { hazardCases } from './hazards'
import { repairCases } from './repairs'
import { settledCases } from './settled'
import { stopCases } from './stops'

/** Every worked case by its chapter, in the order they are told. */
export const planCases: Record<string, PlanCase[]> = {
  'Settle this first': stopCases,
  Exchanges: exchangeCases,
  'What changes the work': hazardCases,
  'After a repair': repairCases,
  'Chosen by hand, by the maker, by what is there': choiceCases,
  'Once answered wrongly': settledCases,
}
