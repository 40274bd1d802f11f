import { type CallAct, type CallState, callStates } from '../../technique/calls'

/**
 * Every move that the call tables of the first version had, and what came of it: the state after, whether the joint
 * stands open there, whether a look follows, and so on. Kept as it was, so that what was recorded then reads the same
 * whatever today's tables say.
 */
const moves: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  pedal: {
    'rest press': 'pressing',
    'pressing holding': 'holding',
    'pressing foot-slipped': 'rest',
    'holding open': 'open open',
    'holding foot-slipped': 'rest',
    'open close': 'closed look',
    'open foot-slipped': 'slipped open air',
    'closed release': 'rest',
    'slipped close': 'rest look',
  },
  'press-through': {
    'rest open': 'opened open',
    'opened press': 'pressing open',
    'opened close': 'rest',
    'pressing holding': 'holding open',
    'pressing foot-slipped': 'slipped open air',
    'holding close': 'closed look',
    'holding foot-slipped': 'slipped open air',
    'closed release': 'rest',
    'slipped close': 'rest look',
  },
  solo: {
    'rest open': 'open open',
    'open close': 'rest',
    'open hose-came-off': 'slipped open air',
    'slipped close': 'rest',
  },
  machine: {
    'rest open': 'open open',
    'open close': 'rest',
  },
  vacuum: {
    'rest draw': 'drawing',
    'drawing open': 'open open',
    'drawing let-off': 'rest',
    'open close': 'closed',
    'open hose-came-off': 'slipped open air',
    'closed let-off': 'rest',
    'slipped close': 'rest',
  },
  gravity: {
    'rest open': 'open open',
    'open close': 'rest',
    'open hose-came-off': 'slipped open air',
    'slipped close': 'rest',
  },
  bench: {
    'rest stroke': 'stroked',
    'rest settle': 'settling waits',
    'stroked back': 'rest look',
    'settling risen': 'rest settled',
  },
  ports: {
    'rest press': 'pressing',
    'pressing holding': 'holding',
    'pressing foot-slipped': 'rest',
    'holding open': 'open open',
    'holding foot-slipped': 'rest',
    'open close': 'closed look',
    'open foot-slipped': 'slipped open air',
    'closed release': 'rest',
    'slipped close': 'rest look',
  },
  unit: {
    'rest open': 'open open',
    'open close': 'rest',
  },
}

/** What an act made of a call in the first version; undefined where that version would have refused it. */
export function becameInV1(kind: string, from: CallState, act: CallAct) {
  const [to, ...flags] = moves[kind]?.[`${from} ${act}`]?.split(' ') ?? []
  const state = callStates.find((each) => each === to)
  if (!state) return undefined
  const flag = <K extends string>(name: K) =>
    (flags.includes(name) ? { [name]: true as const } : {}) as { [key in K]?: true }
  return { to: state, ...flag('open'), ...flag('look'), ...flag('settled'), ...flag('waits'), ...flag('air') }
}
