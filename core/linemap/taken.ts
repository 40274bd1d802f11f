import type { Box } from './sheet'

/** Which points of the grid are taken, each box with the room that is kept around it. */
export class Taken {
  private readonly points: Uint8Array

  constructor(private readonly frame: { width: number; height: number; room: number }) {
    this.points = new Uint8Array((frame.width + 1) * (frame.height + 1))
  }

  take({ left, top, width, height }: Box): void {
    const { frame } = this
    const gap = frame.room - 1
    for (let y = Math.max(0, top - gap); y <= Math.min(frame.height, top + height + gap); y++)
      for (let x = Math.max(0, left - gap); x <= Math.min(frame.width, left + width + gap); x++)
        this.points[y * (frame.width + 1) + x] = 1
  }

  isFree({ left, top, width, height }: Box): boolean {
    const { frame, points } = this
    if (left < 2 || top < 3 || left + width > frame.width - 2 || top + height > frame.height - 2) return false
    for (let y = top; y <= top + height; y++)
      for (let x = left; x <= left + width; x++) if (points[y * (frame.width + 1) + x]) return false
    return true
  }
}
