import { usualIntake } from '../physics/hydraulics/intake'

/**
 * Stiffnesses, springs and passages that no vehicle file states. All of them are from memory: values with which a sound
 * pedal feels like one. A test bounds what each of them does to what is shown.
 *
 * @source from memory
 */
export const usual = {
  /** A chamber's return spring at rest, and what it gains a millimetre. */
  springN: 50,
  springNPerMm: 1.5,
  /** Friction of seals and linkage that a foot works against as it moves, newtons for each mm/s. */
  damperNsPerMm: 1.2,
  /** Compensating port, and how far the piston goes before it is shut. */
  portMm: usualIntake.portMm,
  portShutMm: 1,
  /** The cup folds when its reservoir stands so much higher, and passes through holes of this size. */
  cupCracksKPa: usualIntake.cupCracksKPa,
  cupHoleMm: usualIntake.cupHoleMm,
  /** A wider bore lets back what it has too much at this pressure, through a hole of this size. */
  takeUp: { reliefKPa: 500, reliefMm: 1.5 },
  /** A metering valve shuts at a light pressure, opens at what sets the rear shoes, and is wide open above. */
  metering: { shutsKPa: 50, opensKPa: 500, openKPa: 800 },
  /** A clutch’s slave goes out by so much of its stroke, and most of it by this pressure. */
  slave: { strokeShare: 0.6, strokeKPa: 900 },
  /** A booster that is not empty multiplies the foot. */
  boost: 4,
  /** Clearance that a brake takes up, by what pressure it nearly has, and what it gives then. */
  floating: { takeUpMm: 0.15, takeUpKPa: 40, mmPerMPa: 0.1 },
  opposed: { takeUpMm: 0.1, takeUpKPa: 40, mmPerMPa: 0.035 },
  drum: { takeUpMm: 0.5, takeUpKPa: 150, mmPerMPa: 0.08 },
  /** A hose swells by so much for each metre and MPa. */
  hoseMlPerMMPa: 0.15,
  bulkKPa: 1.6e6,
  /** A bleeder half a turn open: its hole, and the bored passage behind it. */
  bleeder: { holeMm: 1.5, boreMm: 1.5, lengthM: 0.01 },
  /** Air that a vacuum draws past a bleeder's thread into its hose, mL/s at atmospheric pressure for each kPa. */
  threadMlPerSKPa: 2e-4,
  /** Joint that is cracked open a little. */
  crackMm: 1,
  /** Small passages of a control unit on its way out, and back. */
  unit: { outMm: 0.6, backMm: 1.5, lengthM: 0.003, closedShare: 0.3 },
  /** A by-wire unit's pump: what it pushes against nothing, and against what it stalls. */
  pump: { freeMlPerS: 8, stallKPa: 3000 },
  /** How far above MAX the reservoir runs over. */
  brimShare: 1.15,
  /** A bleeder below its reservoir, where nothing says how the parts lie. */
  dropM: 0.6,
  /** Surface tension of what a bubble stands in, N/m, and how fast it rises where it does not stick. */
  surfaceTensionNM: 0.035,
  risesMPerS: 0.02,
  /** Fine bubbles of a bench bleed: their size, and how deep the reservoir is. */
  froth: { bubbleMm: 0.2, depthMm: 60 },
  /** A closed hose is choked over this length. */
  chokeM: 0.02,
  /** Faster than this a bubble goes along with what flows in a tube. */
  carriesMPerS: 0.1,
  /** Bends and fittings mix a line across as often as this, and its cells end there; no more often than so many times a piece. */
  cellMl: 2.5,
  mostCells: 6,
} as const
