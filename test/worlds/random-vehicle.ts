import fc from 'fast-check'

const positions = ['front-left', 'front-right', 'rear-left', 'rear-right', 'front', 'rear'] as const
const middles = ['junction', 'valve', 'valve with bleeder', 'unit', 'unit with bleeders'] as const
const ends = ['brake', 'brake', 'brake', 'brake with two bleeders', 'clutch', 'simulator'] as const

const lengthM = fc.double({ min: 0.1, max: 9, noNaN: true })
/** Where a part is hung on what stands before it, and by how much pipe; the index wraps round. */
const hung = fc.record({ on: fc.nat(), lengthM })

type Hook = { id: string; circuit: string }

function middlePart(kind: (typeof middles)[number], i: number) {
  if (kind === 'junction') return { id: `middle ${i}`, type: 'junction' }
  const bleeders = kind.includes('bleeder') ? [{ id: `m${i}` }] : []
  return kind.startsWith('valve')
    ? { id: `middle ${i}`, type: 'valve', role: 'proportioning', bleeders }
    : { id: `middle ${i}`, type: 'control-unit', role: 'abs', volumeMl: 20, routine: 'cycle', bleeders }
}

function endPart(kind: (typeof ends)[number], i: number, position: (typeof positions)[number]) {
  const id = `end ${i}`
  if (kind === 'clutch')
    return { id, type: 'clutch-slave', boreMm: 20, strokeMm: 12, bleeders: [{ id: `b${i}` }] }
  if (kind === 'simulator') return { id, type: 'stroke-simulator', volumeMl: 10, bleeders: [{ id: `b${i}` }] }
  const bleeders = kind === 'brake' ? [{ id: `b${i}` }] : [{ id: `b${i} low` }, { id: `b${i} top` }]
  return {
    id,
    type: 'wheel-brake',
    position,
    brake: 'disc',
    pistons: [{ diameterMm: 40, count: 1 }],
    bleeders,
  }
}

/**
 * A random vehicle file: one to four chambers, each with a circuit of its own, up to six parts between them and up to
 * eight ends; every line runs outwards in its circuit, and some parts are reached by several ways.
 */
export const randomVehicleFile = fc
  .record({
    kind: fc.constantFrom('car', 'van', 'truck', 'motorcycle', 'quad', 'trailer'),
    driverSide: fc.constantFrom('left', 'right', 'centre'),
    actuator: fc.constantFrom('pedal', 'lever'),
    chambers: fc.integer({ min: 1, max: 4 }),
    middle: fc.array(
      fc.record({ kind: fc.constantFrom(...middles), hung: fc.array(hung, { minLength: 1, maxLength: 3 }) }),
      {
        maxLength: 6,
      },
    ),
    ends: fc.array(
      fc.record({
        kind: fc.constantFrom(...ends),
        position: fc.constantFrom(...positions),
        hung: fc.array(hung, { minLength: 1, maxLength: 2 }),
      }),
      { minLength: 1, maxLength: 8 },
    ),
  })
  .map(({ kind, driverSide, actuator, chambers, middle, ends }) => {
    const cylinders = [0, 2].filter((first) => first < chambers)
    const chamberIds = Array.from({ length: chambers }, (_, i) => `chamber ${i}`)
    const hooks: Hook[] = chamberIds.map((id, i) => ({ id, circuit: 'ABCD'[i] ?? 'A' }))
    const lines: object[] = []
    const hang = (id: string, on: { on: number; lengthM: number }[], carries: boolean) => {
      const taken = on.map((each) => ({ hook: hooks[each.on % hooks.length], lengthM: each.lengthM }))
      for (const { hook, lengthM: length } of taken) {
        if (!hook) continue
        const segments = [{ lengthM: length, boreMm: 3.34, kind: 'tube' }]
        lines.push({ id: `line ${lines.length}`, from: hook.id, to: id, circuit: hook.circuit, segments })
      }
      if (carries)
        for (const { hook } of taken)
          if (hook && !hooks.some((each) => each.id === id && each.circuit === hook.circuit))
            hooks.push({ id, circuit: hook.circuit })
    }
    for (const [i, each] of middle.entries()) hang(`middle ${i}`, each.hung, true)
    for (const [i, each] of ends.entries()) hang(`end ${i}`, each.hung, false)
    return {
      format: 'ruddy-siphon.vehicle',
      version: 1,
      name: 'Random',
      kind,
      driverSide,
      fluid: { spec: 'DOT 4' },
      parts: [
        ...cylinders.flatMap((first) => [
          { id: `reservoir ${first}`, type: 'reservoir', maxMl: 300, minMl: 100 },
          {
            id: `cylinder ${first}`,
            type: 'master-cylinder',
            fedBy: `reservoir ${first}`,
            pedalRatio: 4,
            actuator,
            bleeders: [],
            chambers: chamberIds.slice(first, first + 2).map((id) => ({ id, boreMm: 20, strokeMm: 15 })),
          },
        ]),
        ...middle.map((each, i) => middlePart(each.kind, i)),
        ...ends.map((each, i) => endPart(each.kind, i, each.position)),
      ],
      lines,
    }
  })

const otherSide: Record<string, string> = {
  left: 'right',
  right: 'left',
  'front-left': 'front-right',
  'front-right': 'front-left',
  'rear-left': 'rear-right',
  'rear-right': 'rear-left',
}

/** The same vehicle in a mirror: left and right exchanged, everything else as it was. */
export const mirrored = <T>(file: T): T =>
  JSON.parse(
    JSON.stringify(file, (key, value) =>
      key === 'driverSide' || key === 'position' ? (otherSide[value] ?? value) : value,
    ),
  )
