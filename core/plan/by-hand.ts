import type { Plan } from './answer'

/** Whether another way than the usual one is taken at any stage: then somebody says why. */
export const isByHand = ({ ways }: Pick<Plan, 'ways'>): boolean =>
  ways.some(({ taken, usual }) => taken !== usual)
