import type { TubeSegment } from './tube'

/** A bleeder's own way out: the bored passage in series with the line, and the cross hole at its seat. */
export type BleederOpening = { passage: TubeSegment; holeMm: number }

/** A common bleeder, half a turn open; the vehicle file does not state it. @source from memory */
export const usualBleeder: BleederOpening = { passage: { lengthM: 0.02, boreMm: 2.5 }, holeMm: 1.5 }
