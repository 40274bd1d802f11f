/** Where a call may stand. Every machine begins and ends at `rest`, with the joint closed and nobody pressing. */
export const callStates = [
  'rest',
  'pressing',
  'holding',
  'opened',
  'open',
  'spent',
  'closed',
  'slipped',
  'drawing',
  'stroked',
  'settling',
] as const
export type CallState = (typeof callStates)[number]

export const callActs = [
  'press',
  'holding',
  'open',
  'close',
  'release',
  'foot-slipped',
  'near-bottom',
  'draw',
  'let-off',
  'hose-came-off',
  'stroke',
  'back',
  'settle',
  'risen',
  'tool-stops',
  'tool-died',
] as const
export type CallAct = (typeof callActs)[number]

/** What the cab is told. `release` is the one word that must never reach it while a joint is open. */
export type CabCall = 'wait' | 'press' | 'pump' | 'hold' | 'release' | 'stay-off'

/** One act that may come next. */
export type CallMove = {
  act: CallAct
  /** What the act confirms: the words of the button that records it go by `confirm-` and this. */
  confirms: string
  to: CallState
  /** An act of its own: held, or two different keys; never the tap or switch that went on before. */
  deliberate?: true
  /** A pull, a stroke or a look has ended: what came out is written down next. */
  lookAfter?: true
  /** Air was drawn in: this joint's count starts again. */
  airDrawn?: true
  /** Fine bubbles were left time to rise. */
  settled?: true
  /** Follows from what went before where the cab answers by its own screen: nobody has to call it. */
  byItself?: true
  /** Said by the cab's own screen alone: whoever hears it called does what follows, and taps nothing for it. */
  cabOnly?: true
  /** Done in one with putting the hose on: whoever confirms it has done both. */
  withHoseOn?: true
  /** Done in one with what ends a place, its cap among that, where it has all that it wants. */
  withCapOn?: true
  /** What nobody wants to happen; offered beside the way on, never by the large button. */
  mishap?: true
}

/** One state of a call: who acts, what they do, what the cab is told meanwhile, what may come next. */
export type CallStep = {
  actor: 'wheel' | 'cab'
  /** What is done now: its words go by `call-` and this. */
  does: string
  cab: CabCall
  /** Whether the joint (bleeder or nut) is recorded open. */
  open: boolean
  next: readonly CallMove[]
  /** How long this is usually left alone, in seconds; advice, shown as a timer. */
  waitS?: number
}

/** A call as a small finite table, apart from every counter. `rest` is always there. */
export type CallMachine = {
  /** What it is called where something of it is stored or searched for. */
  kind: string
  /** Whether the cab has a part in it. */
  withCab: boolean
  /** What a look is asked for after a pull. */
  looks: {
    ml: boolean
    colour: boolean
    /** A stroke ends with a look, though no cab has a part in it. */
    afterStroke?: true
  }
  /** Worked off the vehicle: none of its reservoirs is drawn from. */
  offVehicle?: true
  /** Vacuum stands at the bleeder: air comes in past its thread too. */
  drawsAtBleeder?: true
  /** A foot strokes while the joint stands open. */
  strokesOpen?: true
  /** The unit drives: what its tool may ask for is shown beside it. */
  unitAsks?: true
  states: { rest: CallStep } & Partial<Record<CallState, CallStep>>
}
