import fc from 'fast-check'
import { randomVehicleFile } from './random-vehicle'

type Chamber = { id: string; boreMm: number; strokeMm: number; takeUp?: object }
type Part = { id: string; type: string; role?: string; chambers?: Chamber[]; bleeders?: { id: string }[] }
type File = {
  parts: (Part & { residualKPa?: number })[]
  lines: { id?: string; from: string; to: string }[]
}

const amount = (max: number) => fc.double({ min: 0, max, noNaN: true })

/** Valves of every role, wider bores, and pressure held back: what a file may say and a random one leaves out. */
const dressed = randomVehicleFile.chain((plain) =>
  fc
    .record({
      role: fc.constantFrom('load-sensing', 'metering', 'residual', 'proportioning'),
      wider: fc.option(fc.double({ min: 1, max: 1.5, noNaN: true }), { nil: undefined }),
      residualKPa: fc.option(amount(120), { nil: undefined }),
    })
    .map(({ role, wider, residualKPa }) => {
      const file = structuredClone(plain) as unknown as File
      for (const part of file.parts) {
        if (part.type === 'valve') part.role = role
        if (residualKPa !== undefined && (part.type === 'valve' || part.type === 'master-cylinder'))
          part.residualKPa = residualKPa
        for (const chamber of part.chambers ?? [])
          if (wider !== undefined)
            chamber.takeUp = { boreMm: chamber.boreMm * wider, strokeMm: chamber.strokeMm / 3 }
      }
      return file
    }),
)

/** A random vehicle with air in it, faults on it, and a dozen acts done to it; some of it refused. */
export const randomRigRequest = dressed.chain((file) => {
  const { parts, lines } = file
  const of = (type: string) => parts.filter((part) => part.type === type).map(({ id }) => id)
  const one = (ids: readonly string[]) => fc.constantFrom(...(ids.length > 0 ? ids : ['nothing']))
  const cylinders = of('master-cylinder')
  const chambers = parts.flatMap((part) => part.chambers ?? []).map(({ id }) => id)
  const bleeders = parts.flatMap((part) => part.bleeders ?? []).map(({ id }) => id)
  const lineIds = lines.map(({ id, from, to }) => id ?? `${from}>${to}`)
  const lasts = { for: amount(3) }
  const act = fc.oneof(
    fc.record({ do: fc.constant('press'), cylinder: one(cylinders), effortN: amount(500), ...lasts }),
    fc.record({ do: fc.constant('release'), cylinder: one(cylinders), ...lasts }),
    fc.record({
      do: fc.constant('open'),
      bleeder: one(bleeders),
      hose: fc.constantFrom('open', 'under-fluid', 'check-valve'),
      ...lasts,
    }),
    fc.record({ do: fc.constant('close'), bleeder: one(bleeders), ...lasts }),
    fc.record({ do: fc.constantFrom('crack', 'tighten'), at: one([...chambers, ...lineIds]), ...lasts }),
    fc.record({ do: fc.constant('pressurise'), reservoir: one(of('reservoir')), kPa: amount(120), ...lasts }),
    fc.record({ do: fc.constant('vacuum'), bleeder: one(bleeders), kPa: amount(90), ...lasts }),
    fc.record({ do: fc.constant('feed'), reservoir: one(of('reservoir')), on: fc.boolean(), ...lasts }),
    fc.record({
      do: fc.constantFrom('pour', 'draw'),
      reservoir: one(of('reservoir')),
      ml: amount(300),
      ...lasts,
    }),
    fc.record({ do: fc.constant('wipe'), reservoir: one(of('reservoir')), ...lasts }),
    fc.record({
      do: fc.constant('syringe'),
      bleeder: one(bleeders),
      ml: amount(20),
      for: fc.double({ min: 0.5, max: 5, noNaN: true }),
    }),
    fc.record({ do: fc.constant('push-back'), brake: one(of('wheel-brake')), ...lasts }),
    fc.record({
      do: fc.constant('bench'),
      cylinder: one(cylinders),
      strokes: fc.integer({ min: 1, max: 20 }),
      everyS: fc.double({ min: 0.2, max: 10, noNaN: true }),
      ...lasts,
    }),
    fc.record({ do: fc.constant('hold'), valve: one(of('valve')), on: fc.boolean(), ...lasts }),
    fc.record({ do: fc.constant('cycle'), unit: one(of('control-unit')), ...lasts }),
    fc.record({ do: fc.constant('wait'), ...lasts }),
  )
  const fault = fc.oneof(
    fc.record({
      kind: fc.constant('hose-closed'),
      at: one(lineIds),
      boreMm: fc.double({ min: 0.1, max: 2, noNaN: true }),
    }),
    fc.record({ kind: fc.constant('hose-flap'), at: one(lineIds) }),
    fc.record({ kind: fc.constant('hose-soft'), at: one(lineIds), mlPerMPa: amount(3) }),
    fc.record({
      kind: fc.constant('bypass'),
      at: one(chambers),
      mlPerMinPerMPa: fc.double({ min: 0.1, max: 60, noNaN: true }),
    }),
    fc.record({
      kind: fc.constant('leak'),
      at: one([...lineIds, ...chambers]),
      mlPerMinPerMPa: fc.double({ min: 0.1, max: 60, noNaN: true }),
    }),
    fc.record({ kind: fc.constantFrom('no-return', 'no-draw'), at: one(chambers) }),
    fc.record({ kind: fc.constant('piston-stuck'), at: one(of('wheel-brake')) }),
  )
  return fc.record({
    format: fc.constant('ruddy-siphon.rig-request'),
    version: fc.constant(1),
    vehicle: fc.constant(file),
    start: fc.record({
      oldPct: amount(100),
      airMl: fc.dictionary(one([...lineIds, ...parts.map(({ id }) => id)]), amount(4), { maxKeys: 3 }),
      tempC: fc.double({ min: -10, max: 40, noNaN: true }),
      boost: fc.boolean(),
      axlesHang: fc.boolean(),
    }),
    faults: fc.array(fault, { maxLength: 2 }),
    acts: fc.array(act, { minLength: 1, maxLength: 12 }),
  })
})
