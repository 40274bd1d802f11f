import type { CabView } from './view'

/** One note: its pitch, and how long it lasts. */
export type Note = { hz: number; ms: number }
/** How a call sounds and feels, for whoever does not look. `lost`: the link is gone, which is HOLD. */
export type Signal = { notes: readonly Note[]; vibrateMs: readonly number[] }
export type SignalId = CabView['says'] | 'lost' | 'turn' | 'warn'

const LOW = 330
const MIDDLE = 440
const HIGH = 660
const gap = (ms: number): Note => ({ hz: 0, ms })

/**
 * Down for press, level and long for hold, up for release: the pitch goes the way the pedal goes. Every one differs in
 * pitch and in beat, so that it is told apart over a compressor and by a hand on the phone. @source from memory
 */
export const signals: Record<SignalId, Signal> = {
  press: {
    notes: [
      { hz: HIGH, ms: 160 },
      { hz: LOW, ms: 320 },
    ],
    vibrateMs: [160, 60, 320],
  },
  pump: {
    notes: [
      { hz: HIGH, ms: 110 },
      { hz: LOW, ms: 110 },
      { hz: HIGH, ms: 110 },
      { hz: LOW, ms: 110 },
    ],
    vibrateMs: [110, 40, 110, 40, 110, 40, 110],
  },
  hold: { notes: [{ hz: LOW, ms: 900 }], vibrateMs: [900] },
  release: {
    notes: [
      { hz: LOW, ms: 140 },
      { hz: MIDDLE, ms: 140 },
      { hz: HIGH, ms: 300 },
    ],
    vibrateMs: [140, 60, 140, 60, 300],
  },
  'stay-off': {
    notes: [{ hz: MIDDLE, ms: 90 }, gap(60), { hz: MIDDLE, ms: 90 }, gap(60), { hz: MIDDLE, ms: 90 }],
    vibrateMs: [90, 60, 90, 60, 90],
  },
  wait: { notes: [{ hz: MIDDLE, ms: 90 }], vibrateMs: [60] },
  do: { notes: [{ hz: MIDDLE, ms: 200 }, gap(60), { hz: MIDDLE, ms: 200 }], vibrateMs: [200, 60, 200] },
  away: { notes: [{ hz: HIGH, ms: 90 }], vibrateMs: [40] },
  parked: { notes: [{ hz: MIDDLE, ms: 500 }, gap(80), { hz: LOW, ms: 500 }], vibrateMs: [500, 80, 500] },
  ended: { notes: [{ hz: HIGH, ms: 90 }, gap(60), { hz: HIGH, ms: 90 }], vibrateMs: [40, 60, 40] },
  lost: {
    notes: [{ hz: LOW, ms: 500 }, gap(120), { hz: LOW, ms: 500 }, gap(120), { hz: LOW, ms: 500 }],
    vibrateMs: [500, 120, 500, 120, 500],
  },
  turn: { notes: [{ hz: HIGH, ms: 70 }, gap(50), { hz: MIDDLE, ms: 70 }], vibrateMs: [70] },
  warn: {
    notes: [{ hz: HIGH, ms: 120 }, gap(40), { hz: LOW, ms: 120 }, gap(40), { hz: HIGH, ms: 120 }],
    vibrateMs: [120, 40, 120, 40, 120],
  },
}
