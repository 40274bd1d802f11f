import { expect, test } from 'vitest'
import { everyCall } from '../index'
import { type CallAct, type CallMachine, type CallState, callMove, callStep } from '.'

const calls = everyCall().map((call) => [call.kind, call] as const)

/** What lets go of whatever holds the fluid: a foot, a vacuum. */
const letsGo: ReadonlySet<CallAct> = new Set(['release', 'let-off'])

/** A message on its way: what its sender saw, and whether it has arrived once (its answer may be lost, so it comes again). */
type Sent = { act: CallAct | 'undo'; saw: CallState; arrived: boolean }
type World = {
  record: CallState
  /** States to go back to, the newest last; an undo takes one. */
  undo: CallState[]
  /** What the wheel's and the cab's screens show, which may be long out of date. */
  views: [CallState, CallState]
  /** At most one message of each on its way. */
  sent: [Sent | undefined, Sent | undefined]
}

const UNDO_DEPTH = 3

/** Every world one event away: somebody acts on what they see, a message arrives, arrives again, or a screen catches up. */
function* next(call: CallMachine, world: World): Generator<World> {
  const { record, undo, views, sent } = world
  for (const i of [0, 1] as const) {
    const put = <T>(pair: [T, T], value: T): [T, T] => (i === 0 ? [value, pair[1]] : [pair[0], value])
    const message = sent[i]
    yield { ...world, views: put(views, record) }
    if (!message) {
      for (const { act } of callStep(call, views[i])?.next ?? [])
        yield { ...world, sent: put(sent, { act, saw: views[i], arrived: false }) }
      yield { ...world, sent: put(sent, { act: 'undo', saw: views[i], arrived: false }) }
      continue
    }
    // The answer came, or the sender gave up and looked.
    yield { ...world, sent: put<Sent | undefined>(sent, undefined), views: put(views, record) }
    // Arrived before: the id is known, so nothing happens a second time.
    if (message.arrived) continue
    const arrived = put<Sent | undefined>(sent, { ...message, arrived: true })
    const back = undo.at(-1)
    if (message.act === 'undo') {
      if (back !== undefined && message.saw === record)
        yield { ...world, record: back, undo: undo.slice(0, -1), sent: arrived }
      continue
    }
    const move = message.saw === record ? callMove(call, record, message.act) : undefined
    if (move) yield { record: move.to, undo: [...undo, record].slice(-UNDO_DEPTH), views, sent: arrived }
    else yield { ...world, sent: arrived }
  }
}

function reachable(call: CallMachine): World[] {
  const start: World = { record: 'rest', undo: [], views: ['rest', 'rest'], sent: [undefined, undefined] }
  const seen = new Map([[JSON.stringify(start), start]])
  const open = [start]
  for (let at = open.pop(); at; at = open.pop())
    for (const world of next(call, at)) {
      const key = JSON.stringify(world)
      if (seen.has(key)) continue
      seen.set(key, world)
      open.push(world)
    }
  return [...seen.values()]
}

test.each(calls)(
  '%s: in every reachable state, with both actors, undo, duplicates and lost answers, nothing is let go of while the joint is open',
  (kind, call) => {
    const worlds = reachable(call)
    console.log(`${kind}: ${worlds.length} states searched`)
    for (const { record } of worlds) {
      const step = callStep(call, record)
      if (!step) throw new Error(`${kind} reached ${record}, which it does not have`)
      if (!step.open) continue
      expect(step.cab).not.toBe('release')
      expect(step.next.some(({ act }) => letsGo.has(act))).toBe(false)
    }
    expect(new Set(worlds.map(({ record }) => record))).toEqual(new Set(Object.keys(call.states)))
  },
)

test.each(calls)(
  '%s: an open joint is left only by closing it, deliberately, or by a mishap that leaves it open; a foot pressing through it, or near the bottom, leaves it open too',
  (kind, call) => {
    for (const step of Object.values(call.states)) {
      if (!step.open) continue
      for (const move of step.next) {
        const pressedThrough = kind === 'press-through' && ['press', 'holding'].includes(move.act)
        const stays = pressedThrough || move.act === 'near-bottom' || move.act === 'tool-stops'
        if (callStep(call, move.to)?.open) expect(move.mishap === true || stays).toBe(true)
        else expect(move).toMatchObject({ act: 'close', deliberate: true })
      }
    }
  },
)

test.each(calls)('%s: every state leads back to rest, and the way on is never a mishap', (kind, call) => {
  for (const start of Object.keys(call.states) as CallState[]) {
    const walked = new Set<CallState>()
    let at = start
    do {
      walked.add(at)
      const way = callStep(call, at)?.next.find(
        ({ mishap, to }) => !mishap && (to === 'rest' || !walked.has(to)),
      )
      expect(way, `${kind} is stuck in ${at}`).toBeDefined()
      at = way?.to ?? 'rest'
    } while (at !== 'rest')
  }
})

test('the cab is told to release in one state alone, and only closing leads there', () => {
  for (const { withCab, states: all } of everyCall()) {
    if (!withCab) continue
    const states = Object.entries(all)
    const releasing = states.filter(([, { cab }]) => cab === 'release').map(([state]) => state)
    expect(releasing).toEqual(['closed'])
    const into = states.flatMap(([, { next: moves }]) => moves.filter(({ to }) => to === 'closed'))
    expect(new Set(into.map(({ act }) => act))).toEqual(new Set(['close']))
  }
})
