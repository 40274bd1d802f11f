import { fact, type Reason, reason } from '../base/decision'
import { ImpossibleInput } from '../base/fault'
import { tubeMl } from '../physics/hydraulics/tube'
import type { Line } from '../vehicle/schema'
import { lineAt, linesWith, withSegments } from './lines'
import { type Filled, numberOf, type RepairSheet, wordOf } from './sheet'
import { cutsFor, type Stretch, tubeAround, withNewTube } from './tube-run'

/** Wall of steel and copper-nickel brake tube: 4.75 mm outside leaves 3.33. @source from memory */
const WALL_MM = 0.71
/** What a flare takes of a tube's length. @source from memory */
const FLARE_M = 0.01
/** Sound tube beyond the rust on either side. @source from memory */
const CLEAR_M = 0.05
/** A soaked nut is left so long before it is tried again. @source from memory */
const SOAK_S = 20 * 60
/** More of a line than this is not worth two couplers. @source from memory */
const MOST_PATCHED = 0.5

/** A rusty line: left, a piece of it renewed between couplers, or all of it from fitting to fitting. */
export const line: RepairSheet = {
  id: 'line',
  places: (vehicle) => linesWith(vehicle, 'tube'),
  fields(vehicle, at) {
    const bore = lineAt(vehicle, at)?.segments.find(({ kind }) => kind === 'tube')?.boreMm ?? 0
    return [
      { kind: 'choice', id: 'rust', label: fact('sheet-rust'), options: ['on-the-surface', 'pitted', 'wet'] },
      { kind: 'amount', id: 'rust-from', label: fact('sheet-rust-from'), quantity: 'run' },
      { kind: 'amount', id: 'rust-to', label: fact('sheet-rust-to'), quantity: 'run' },
      { kind: 'amount', id: 'clear', label: fact('sheet-clear'), quantity: 'run', initial: CLEAR_M },
      { kind: 'choice', id: 'couplers', label: fact('sheet-couplers'), options: ['allowed', 'not-allowed'] },
      { kind: 'amount', id: 'routed', label: fact('sheet-routed'), quantity: 'run' },
      {
        kind: 'amount',
        id: 'outer',
        label: fact('sheet-outer'),
        quantity: 'length',
        initial: Math.round(100 * (bore + 2 * WALL_MM)) / 100,
      },
      { kind: 'choice', id: 'flare', label: fact('sheet-flare'), options: ['double', 'bubble'] },
      { kind: 'choice', id: 'nuts', label: fact('sheet-nuts'), options: ['turn', 'seized'] },
      { kind: 'clock', id: 'soaked', label: fact('sheet-soaked'), waitS: SOAK_S, optional: true },
    ]
  },
  judge(filled, vehicle, at) {
    const of = lineAt(vehicle, at)
    const rust = wordOf(filled, 'rust')
    if (!of || rust === undefined) return undefined
    if (rust === 'on-the-surface')
      return {
        value: 'keep',
        reasons: [reason('sheet-surface-rust', 'practice')],
        figures: [],
        buy: [],
        still: [fact('sheet-still-greased')],
      }
    const piece = pieceOf(filled, of)
    if (!piece) return undefined
    const { cut, whole, couplers, reasons } = piece
    const flares = 2 + couplers
    const tubeM = piece.routedM + 2 * FLARE_M
    return {
      value: whole ? 'whole' : 'piece',
      reasons: [
        reason(`sheet-rust-${rust}`, 'practice'),
        ...reasons,
        reason(`sheet-flare-${piece.flare}`, 'practice'),
      ],
      figures: [
        fact('sheet-cuts', { fromM: cut.fromM, toM: cut.toM, part: of.from }),
        fact('sheet-new-tube', { tubeM, routedM: piece.routedM, flares: 2 }),
        fact('sheet-tube-holds', { holdsMl: tubeMl({ lengthM: piece.routedM, boreMm: piece.boreMm }) }),
        fact('sheet-joints', { joints: flares, couplers }),
      ],
      buy: [
        { ...fact('buy-tube', { tubeM, outerMm: piece.outerMm }), key: 'line', count: 1 },
        { ...fact('buy-tube-nut'), count: flares },
        ...(couplers > 0 ? [{ ...fact('buy-coupler'), count: couplers }] : []),
      ],
      still: [
        ...(wordOf(filled, 'nuts') === 'seized'
          ? [fact('sheet-still-soaked', { waitMin: SOAK_S / 60 })]
          : []),
        fact('sheet-still-dry'),
      ],
    }
  },
  drawn: true,
  work: { keep: 'none', piece: 'opened', whole: 'replaced' },
  cautions: ['eye-protection', 'fluid-eats-paint', 'wheel-on-stands'],
  changes(filled, vehicle, at) {
    const of = lineAt(vehicle, at)
    const piece = of && pieceOf(filled, of)
    if (!of || !piece) return undefined
    const tube = { lengthM: piece.routedM, boreMm: piece.boreMm }
    return withSegments(vehicle, of, withNewTube(of, piece.cut, tube))
  },
}

type Piece = {
  cut: Stretch
  whole: boolean
  couplers: number
  routedM: number
  outerMm: number
  boreMm: number
  flare: string
  reasons: Reason[]
}

/** What is cut out and what takes its place; undefined until enough is known. */
function pieceOf(filled: Filled, of: Line): Piece | undefined {
  const [fromM, toM, clearM, routedM, outerMm] = ['rust-from', 'rust-to', 'clear', 'routed', 'outer'].map(
    (id) => numberOf(filled, id),
  )
  const [allowed, flare, nuts] = ['couplers', 'flare', 'nuts'].map((id) => wordOf(filled, id))
  if (fromM === undefined || toM === undefined || clearM === undefined) return undefined
  const tube = tubeAround(of, { fromM, toM })
  const small = cutsFor({ fromM, toM }, clearM, tube)
  const couplers = [small.fromM > tube.fromM, small.toM < tube.toM].filter(Boolean).length
  const share = (small.toM - small.fromM) / (tube.toM - tube.fromM)
  if (!routedM || !outerMm || !allowed || !flare || !nuts) return undefined
  if (outerMm <= 2 * WALL_MM)
    throw new ImpossibleInput('outer', `give more than ${2 * WALL_MM} mm: the wall alone takes that`)
  const why =
    allowed === 'not-allowed'
      ? reason('sheet-no-couplers', 'maker')
      : share > MOST_PATCHED
        ? reason('sheet-most-of-it', 'default', { sharePct: Math.round(100 * share) })
        : couplers === 0
          ? reason('sheet-reaches-both', 'physics')
          : undefined
  const bounds = { outerMm, boreMm: outerMm - 2 * WALL_MM, routedM, flare }
  if (why) return { ...bounds, cut: tube, whole: true, couplers: 0, reasons: [why] }
  const patched = reason('sheet-patched', 'practice', { couplers })
  return { ...bounds, cut: small, whole: false, couplers, reasons: [patched] }
}
