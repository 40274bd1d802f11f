import { type FluidSpec, fluidOf } from '~core/fluid/specs'
import { bandedPen } from '~core/fluid/testers/banded-pen'
import { boilingPoint } from '~core/physics/moisture/boiling-point'

/** Kinds that the stand-in can be. */
export const kinds = ['banded-pen', 'percent-meter', 'boiling-sampler', 'copper-strip'] as const
export type Kind = (typeof kinds)[number]

/** How the stand-in's dials are set. */
export type Dials = {
  kind: Kind
  spec: FluidSpec
  /** What the fluid truly holds. */
  waterPct: number
  copperPpm: number
  /** By how much the instrument is off, in what it shows. */
  off: number
  inFluid: boolean
  /** How long a reading takes. */
  seconds: number
}

export const firstDials: Dials = {
  kind: 'boiling-sampler',
  spec: 'DOT 4',
  waterPct: 2.4,
  copperPpm: 60,
  off: 0,
  inFluid: true,
  seconds: 3,
}

const lamps = bandedPen.asks.of === 'choice' ? bandedPen.asks.options.map(({ value }) => value) : []

/** What it shows for fluid as the dials are set: in the steps of its own display. */
export function shown({ kind, spec, waterPct, copperPpm, off }: Dials): number {
  switch (kind) {
    case 'banded-pen':
      return lamps.reduce((near, lamp) =>
        Math.abs(lamp - waterPct - off) < Math.abs(near - waterPct - off) ? lamp : near,
      )
    case 'percent-meter':
      return Math.max(0, Math.round((waterPct + off) * 10) / 10)
    case 'boiling-sampler': {
      const { dryC = 230, wetC = 155 } = fluidOf(spec)
      return Math.round(boilingPoint({ dryC, wetC, waterPct }).boilingC + off)
    }
    case 'copper-strip':
      return Math.max(0, Math.round((copperPpm + off) / 10) * 10)
  }
}
