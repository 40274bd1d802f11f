import { fact, reason } from '../base/decision'
import { ImpossibleInput } from '../base/fault'
import { Rig } from '../rig/run'
import { routedBleeders } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import { readVehicle } from '../vehicle/read-vehicle'
import type { Vehicle } from '../vehicle/schema'
import { fluidField } from './fields'
import { benchPage } from './page'

/** How things stand at one moment of a pull. */
export type PullMoment = {
  s: number
  pedalMm: number
  brakeKPa: number
  /** Out by the hose since the pull began, mL; falls where something goes back in. */
  outMl: number
  /** Drawn in by the bleeder since then, mL at atmospheric pressure. */
  airInMl: number
  /** Air in the brake as it is pressed together now, mL. */
  bubbleMl: number
  /** Old share at the bleeder, per cent. */
  oldPct: number
  open: boolean
  pressed: boolean
}
export type PullResult = { moments: PullMoment[]; outMl: number; airInMl: number; wholeMm: number }

const STROKE_MM = 16
const SAMPLE_S = 0.05
/** Less air than this is none. */
const SOME_AIR_ML = 0.005
const PRESS_S = 0.6
const OPEN_S = 1.2
const CLOSE_S = 0.3
const UP_S = 1.2
/** Let go with it open, somebody closes it this much later. @source from memory */
const LATE_S = 0.6

/** One wheel at the end of one line, as a vehicle of its own. */
function oneWheel(spec: string, boreMm: number, pedalRatio: number, runM: number, pistonMm: number): Vehicle {
  const read = readVehicle({
    format: 'ruddy-siphon.vehicle',
    version: 1,
    name: 'One wheel',
    kind: 'car',
    fluid: { spec },
    parts: [
      { id: 'reservoir', type: 'reservoir', maxMl: 400, minMl: 250, capSeal: 'sound' },
      {
        id: 'cylinder',
        type: 'master-cylinder',
        fedBy: 'reservoir',
        pedalRatio,
        actuator: 'pedal',
        bleeders: [],
        chambers: [{ id: 'chamber', boreMm, strokeMm: STROKE_MM }],
      },
      {
        id: 'brake',
        type: 'wheel-brake',
        position: 'front-left',
        brake: 'disc',
        pistons: [{ diameterMm: pistonMm, count: 1 }],
        bleeders: [{ id: 'bleeder', wrenchMm: 10 }],
      },
    ],
    lines: [
      {
        id: 'line',
        from: 'chamber',
        to: 'brake',
        circuit: 'A',
        segments: [{ lengthM: runM, boreMm: 3.34, kind: 'tube' }],
      },
    ],
  })
  if (!read.ok) throw new ImpossibleInput('runM', read.faults[0]?.message ?? '')
  return read.value
}

/** What a single pull does, moment by moment, and what becomes of it when the pedal is let go first. */
export const pullBench = benchPage({
  id: 'pull',
  fields: {
    end: {
      kind: 'choice',
      options: ['close-first', 'release-first'],
      initial: 'close-first',
    },
    hose: {
      kind: 'choice',
      options: ['open', 'under-fluid', 'check-valve'],
      initial: 'open',
    },
    effortN: { kind: 'number', unit: 'N', min: 20, max: 600, initial: 80 },
    airMl: { kind: 'quantity', quantity: 'volume', min: 0, max: 10, initial: 0 },
    spec: fluidField(['DOT 3', 'DOT 4', 'DOT 4 LV', 'DOT 5', 'DOT 5.1']),
    tempC: {
      kind: 'quantity',
      quantity: 'temperature',
      min: -20,
      max: 60,
      initial: 20,
    },
    boreMm: {
      kind: 'quantity',
      quantity: 'length',
      min: 8,
      max: 40,
      initial: 20.6,
    },
    pedalRatio: { kind: 'number', unit: '', min: 1, max: 10, initial: 4 },
    pistonMm: {
      kind: 'quantity',
      quantity: 'length',
      min: 15,
      max: 100,
      initial: 48,
    },
    runM: { kind: 'quantity', quantity: 'run', min: 0.2, max: 20, initial: 3 },
  },
  about: ['one-wheel'],
  startFrom: (vehicle) => {
    const [cylinder] = partsOf(vehicle, 'master-cylinder')
    const [chamber] = cylinder?.chambers ?? []
    const brakes = routedBleeders(vehicle).flatMap(({ part, route }) =>
      part.type === 'wheel-brake' && route ? [{ part, route }] : [],
    )
    const furthest = brakes.sort((a, b) => b.route.lengthM - a.route.lengthM)[0]
    const route = furthest?.route
    const pistonMm = Math.max(0, ...(furthest?.part.pistons ?? []).map(({ diameterMm }) => diameterMm))
    return {
      ...(vehicle.fluid.spec !== 'mineral' && { spec: vehicle.fluid.spec }),
      ...(cylinder && chamber && { boreMm: `${chamber.boreMm}`, pedalRatio: `${cylinder.pedalRatio}` }),
      ...(route && { runM: `${Number(route.lengthM.toFixed(2))}` }),
      ...(pistonMm > 0 && { pistonMm: `${pistonMm}` }),
    }
  },
  work: ({ end, hose, effortN, airMl, spec, tempC, boreMm, pedalRatio, pistonMm, runM }) => {
    const rig = new Rig({
      vehicle: oneWheel(spec, boreMm, pedalRatio, runM, pistonMm),
      start: { newIn: ['reservoir', 'chamber'], airMl: { brake: airMl }, tempC },
    })
    const moments: PullMoment[] = []
    const at = rig.assembly.outlets.find(({ id }) => id === 'bleeder')?.of ?? 0
    const during = (act: Parameters<Rig['do']>[0], lasts: number, open: boolean, pressed: boolean) => {
      rig.do({ ...act, for: SAMPLE_S })
      for (let s = SAMPLE_S; ; s += SAMPLE_S) {
        const cell = rig.assembly.at(at)
        moments.push({
          s: rig.atS,
          pedalMm: rig.pedalMm('cylinder'),
          brakeKPa: cell.kPa,
          outMl: rig.came.get('bleeder')?.ml ?? 0,
          airInMl: rig.ledger.airIn,
          bubbleMl: cell.bubbleMl,
          oldPct: 100 * cell.oldShare,
          open,
          pressed,
        })
        if (s >= lasts - 1e-9) return
        rig.do({ do: 'wait', for: SAMPLE_S })
      }
    }
    const no = { for: 0 }
    const closing = { do: 'close', bleeder: 'bleeder', ...no } as const
    const letting = { do: 'release', cylinder: 'cylinder', overS: 0.3, ...no } as const
    during({ do: 'press', cylinder: 'cylinder', effortN, overS: 0.2, ...no }, PRESS_S, false, true)
    const hoseEnd = hose as 'open' | 'under-fluid' | 'check-valve'
    during({ do: 'open', bleeder: 'bleeder', turns: 0.5, hose: hoseEnd, ...no }, OPEN_S, true, true)
    if (end === 'close-first') {
      during(closing, CLOSE_S, false, true)
      during(letting, UP_S, false, false)
    } else {
      during(letting, LATE_S, true, false)
      during(closing, CLOSE_S + UP_S - LATE_S, false, false)
    }
    return {
      result: {
        moments,
        outMl: moments.at(-1)?.outMl ?? 0,
        airInMl: rig.ledger.airIn,
        wholeMm: STROKE_MM * pedalRatio,
      } satisfies PullResult,
      reasons: [
        reason(end === 'close-first' ? 'pull-closed-first' : 'pull-released-first', 'physics'),
        reason('rig-from-memory', 'default'),
      ],
    }
  },
  says: ({ outMl, airInMl }, { end }) =>
    fact(`pull-says-${end}${airInMl > SOME_AIR_ML ? '' : '-no-air'}`, {
      outMl: Math.max(0, outMl),
      airMl: airInMl,
    }),
})
