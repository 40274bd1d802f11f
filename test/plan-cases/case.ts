import type { Shop, Work } from '~core/plan/request'

/** One worked case: what happened, what the shop has, and what a good technician would do, decided before the program was asked. */
export type PlanCase = {
  name: string
  /** Why the answer is what it is, in a technician's words. */
  reasoning: string
  /** An example vehicle by the name of its file, or one of the demo world. */
  vehicle: string
  /** What it was written to settle, where it was. */
  settles?: string
  /** What is different about this one. */
  change?: (file: Record<string, unknown>) => object
  work: Partial<Work> & Pick<Work, 'reason'>
  shop: Partial<Shop>
  expect: {
    /** Codes; none means that the work goes ahead. */
    stops?: string[]
    /** Kind of each stage in order, with the way of doing it behind a colon where it has one. */
    stages?: string[]
    /** Bleeders in the order they are opened, over all stages that open any for the first time. */
    order?: string[]
    /** Steps that must be there, in this order: by id, those of a unit’s routine by code. */
    steps?: string[]
    cautions?: string[]
    /** Codes of reasons that must be given. */
    reasons?: string[]
    /** Why a way was not taken. */
    notTaken?: Record<string, string>
    pressureKPa?: number | { atMost: number }
    /** New fluid in all, within these. */
    totalMl?: readonly [number, number]
    drawToMl?: Record<string, number>
    /** Whether a rinse pays. */
    rinses?: boolean
    /** Steps, cautions and reasons that must not be there. */
    never?: string[]
    /** Where the simulated vehicle does not end as planned: what it says, and why that is no fault of the plan. */
    onRig?: { faults: string[]; why: string }
  }
}

/** By foot, each of two separate systems finished before the next is opened. */
export const twoSystemsByFoot = [
  'reservoir-exchange',
  'bleed: pump-and-hold',
  'reservoir-exchange',
  'bleed: pump-and-hold',
  'prove',
]

/** Everything an ordinary shop has. */
export const everything: Shop['methods'] = [
  'two-person',
  'solo',
  'pressure',
  'vacuum',
  'bench',
  'control-unit',
]
