import type { Decision, Reason } from '../../base/decision'
import { ImpossibleInput } from '../../base/fault'
import { cylinderMl } from '../hydraulics/cylinder'
import { leastSquares } from './least-squares'
import { squeezedShare } from './trapped-air'

/** Where the pedal stood at one line pressure, engine off and booster used up. */
export type Effort = { pressureKPa: number; travelMm: number }
/** How far it sank while held. */
export type Sink = { sinkMm: number; heldS: number }

export type Answer = 'yes' | 'no' | 'cannot-tell'
export type PedalFeel = {
  air: Answer
  swelling: Answer
  sink: Answer
  airMl?: number
  airErrorMl?: number
  swellingMlPerMPa?: number
  swellingErrorMlPerMPa?: number
  sinkMmPerMin?: number
}

/** One effort must be this light, or air and swelling look alike. @source Boyle's law: most of the air is gone by then */
export const LIGHT_KPA = 500
/** Air that a foot feels: about 4 mm of pedal in a car. @source from memory */
const FELT_AIR_ML = 0.5
/** Hoses and calipers of a sound car give less than this. @source from memory */
const SOUND_SWELLING_ML_PER_MPA = 0.8
/** A pedal that sinks faster than this under a steady foot is not holding. @source from memory */
const SINKS_MM_PER_MIN = 4
const LEAST_HOLD_S = 15

/**
 * Air, swelling and sink told apart by travel at three or more efforts, one of them light: air is curved with effort
 * (Boyle), swelling straight, and a seal that lets past sinks with time. Clearance at the shoes or pads is a third
 * unknown that is the same at every effort. Each answer carries the error of the reading through the fit; where that
 * leaves both possible, it is "cannot tell".
 *
 * @param travelErrorMm how well the travel was read, above 0
 * @throws ImpossibleInput with the field at fault
 * @source Boyle's law; least squares; limits from memory
 */
export function pedalFeel(input: {
  boreMm: number
  pedalRatio: number
  efforts: readonly Effort[]
  travelErrorMm: number
  sink?: Sink
}): Decision<PedalFeel> {
  const { boreMm, pedalRatio, efforts, travelErrorMm, sink } = input
  if (!(boreMm > 0)) throw new ImpossibleInput('boreMm', 'give a bore above 0 mm')
  if (!(pedalRatio > 0)) throw new ImpossibleInput('pedalRatio', 'give a pedal ratio above 0')
  if (!(travelErrorMm > 0)) throw new ImpossibleInput('travelErrorMm', 'give a reading error above 0 mm')
  const sunk = judgeSink(sink, travelErrorMm)
  const few = tooFew(efforts)
  if (few)
    return {
      value: { air: 'cannot-tell', swelling: 'cannot-tell', ...sunk.value },
      reasons: [few, ...sunk.reasons],
    }
  const mlPerMm = cylinderMl(boreMm, 1) / pedalRatio
  const fit = leastSquares(
    efforts.map(({ pressureKPa }) => [squeezedShare(pressureKPa), pressureKPa / 1000, 1] as const),
    efforts.map(({ travelMm }) => travelMm * mlPerMm),
  )
  if (!fit)
    return {
      value: { air: 'cannot-tell', swelling: 'cannot-tell', ...sunk.value },
      reasons: [sameEfforts, ...sunk.reasons],
    }
  const [airMl, swellingMlPerMPa] = fit.values
  const [airError, swellingError] = fit.errors.map((each) => 2 * each * travelErrorMm * mlPerMm) as [
    number,
    number,
    number,
  ]
  const air = against(airMl, airError, FELT_AIR_ML)
  const swelling = against(swellingMlPerMPa, swellingError, SOUND_SWELLING_ML_PER_MPA)
  return {
    value: {
      air,
      swelling,
      ...sunk.value,
      airMl: Math.max(0, airMl),
      airErrorMl: airError,
      swellingMlPerMPa: Math.max(0, swellingMlPerMPa),
      swellingErrorMlPerMPa: swellingError,
    },
    reasons: [airTexts[air], swellingTexts[swelling], ...sunk.reasons],
  }
}

/** Above a limit, below it, or too uncertain to say; the error is two standard deviations. */
function against(value: number, error: number, limit: number): Answer {
  if (value - error > limit) return 'yes'
  return value + error < limit ? 'no' : 'cannot-tell'
}

function tooFew(efforts: readonly Effort[]): Reason | undefined {
  efforts.forEach(({ pressureKPa, travelMm }, i) => {
    if (!(pressureKPa > 0))
      throw new ImpossibleInput(`efforts.${i}.pressureKPa`, 'give a line pressure above 0 kPa')
    if (!(travelMm >= 0)) throw new ImpossibleInput(`efforts.${i}.travelMm`, 'give a travel of 0 mm or more')
  })
  const pressures = new Set(efforts.map(({ pressureKPa }) => pressureKPa))
  if (pressures.size < 3)
    return {
      code: 'feel-too-few',
      text: 'Three different efforts at least: with fewer, air and swelling cannot be told apart.',
      basis: 'physics',
    }
  if (Math.min(...pressures) >= LIGHT_KPA)
    return {
      code: 'feel-none-light',
      text: `One effort must be light, below ${LIGHT_KPA} kPa in the line: above it nearly all the air is squeezed away already and looks like clearance.`,
      basis: 'physics',
    }
  return undefined
}

const sameEfforts: Reason = {
  code: 'feel-too-alike',
  text: 'The efforts lie too close together to tell anything apart: spread them.',
  basis: 'physics',
}

const airTexts: Record<Answer, Reason> = {
  yes: {
    code: 'feel-air',
    text: `More than ${FELT_AIR_ML} mL of air: travel is curved with effort. Bleed the high points.`,
    basis: 'physics',
  },
  no: { code: 'feel-no-air', text: `Less than ${FELT_AIR_ML} mL of air, if any.`, basis: 'physics' },
  'cannot-tell': {
    code: 'feel-air-open',
    text: 'Air: cannot tell. Take a lighter effort, more efforts, or read the travel closer.',
    basis: 'physics',
  },
}

const swellingTexts: Record<Answer, Reason> = {
  yes: {
    code: 'feel-swelling',
    text: `More than ${SOUND_SWELLING_ML_PER_MPA} mL for each MPa: hoses swell or a caliper flexes. Look at the hoses first.`,
    basis: 'default',
  },
  no: {
    code: 'feel-no-swelling',
    text: 'Hoses and calipers give no more than a sound car’s.',
    basis: 'default',
  },
  'cannot-tell': {
    code: 'feel-swelling-open',
    text: 'Swelling: cannot tell. Take a harder effort, or read the travel closer.',
    basis: 'physics',
  },
}

function judgeSink(
  sink: Sink | undefined,
  travelErrorMm: number,
): Decision<Pick<PedalFeel, 'sink' | 'sinkMmPerMin'>> {
  if (!sink) return { value: { sink: 'cannot-tell' }, reasons: [sinkTexts['cannot-tell']] }
  if (!(sink.heldS > 0)) throw new ImpossibleInput('sink.heldS', 'give a time above 0 s')
  if (!(sink.sinkMm >= 0)) throw new ImpossibleInput('sink.sinkMm', 'give a sink of 0 mm or more')
  const sinkMmPerMin = (sink.sinkMm * 60) / sink.heldS
  const error = (travelErrorMm * 60) / sink.heldS
  const answer = sink.heldS < LEAST_HOLD_S ? 'cannot-tell' : against(sinkMmPerMin, error, SINKS_MM_PER_MIN)
  return { value: { sink: answer, sinkMmPerMin }, reasons: [sinkTexts[answer]] }
}

const sinkTexts: Record<Answer, Reason> = {
  yes: {
    code: 'feel-sinks',
    text: 'It sinks under a steady foot: with every joint dry, the master cylinder lets past its own seals.',
    basis: 'practice',
  },
  no: { code: 'feel-holds', text: 'It holds under a steady foot.', basis: 'practice' },
  'cannot-tell': {
    code: 'feel-sink-open',
    text: 'Sink: cannot tell. Hold it steady for 30 s, once lightly and once firmly, and measure how far it goes.',
    basis: 'practice',
  },
}
