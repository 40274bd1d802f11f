import { type Decision, type Reason, reason } from '../../base/decision'
import { ImpossibleInput } from '../../base/fault'
import { cylinderMl } from '../hydraulics/cylinder'
import { chiSquared99, type Fit, leastSquares } from './least-squares'
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
  /** Left out where nothing could be fitted, as are the others of the fit. */
  airMl?: number
  airErrorMl?: number
  swellingMlPerMPa?: number
  swellingErrorMlPerMPa?: number
  clearanceMl?: number
  sinkMmPerMin?: number
}

/** How far nine of ten readings are off at most. */
export type ReadWithin = { travelErrorMm: number; gaugeErrorPct: number }

/** One effort must be this light, or air and swelling look alike. @source Boyle's law: most of the air is gone by then */
export const LIGHT_KPA = 500
/** A gauge in the line, of its reading. @source from memory */
export const USUAL_GAUGE_ERROR_PCT = 3
/** Shoes and pads have come up between these pressures: below, some of the clearance is still there. @source from memory */
const TAKEN_UP_KPA = { soonest: 30, latest: 150 }
/** Air that a foot feels: about 4 mm of pedal in a car. @source from memory */
const FELT_AIR_ML = 0.5
/** Hoses and calipers of a sound car give less than this. @source from memory */
const SOUND_SWELLING_ML_PER_MPA = 0.8
/** A pedal that sinks faster than this under a steady foot is not holding. @source from memory */
const SINKS_MM_PER_MIN = 4
const LEAST_HOLD_S = 15
/** The errors of a reading hang a little on what is fitted: so often it is put right, and stands then. */
const PASSES = 5

/**
 * Air, swelling and sink told apart by travel at three or more efforts, one of them light: air is curved with effort
 * (Boyle), swelling straight, and a seal that lets past sinks with time. Clearance at the shoes or pads is a third
 * unknown, taken up by little pressure. Each answer carries the errors of rule and gauge through the fit, nine in ten;
 * where that leaves both possible it is "cannot tell", and so it is where the readings do not fit what air, swelling
 * and clearance can do together, or where one of them would have to be less than nothing.
 *
 * @throws ImpossibleInput with the field at fault
 * @source Boyle's law; weighted least squares; limits from memory
 */
export function pedalFeel(
  input: { boreMm: number; pedalRatio: number; efforts: readonly Effort[]; sink?: Sink } & ReadWithin,
): Decision<PedalFeel> {
  const { boreMm, pedalRatio, efforts, travelErrorMm, gaugeErrorPct, sink } = input
  if (!(boreMm > 0)) throw new ImpossibleInput('boreMm', 'give a bore above 0 mm')
  if (!(pedalRatio > 0)) throw new ImpossibleInput('pedalRatio', 'give a pedal ratio above 0')
  if (!(travelErrorMm > 0)) throw new ImpossibleInput('travelErrorMm', 'give a reading error above 0 mm')
  if (!(gaugeErrorPct >= 0 && gaugeErrorPct <= 50))
    throw new ImpossibleInput('gaugeErrorPct', 'give an error of 0 to 50 %')
  const sunk = judgeSink(sink, travelErrorMm)
  const open = (why: Reason): Decision<PedalFeel> => ({
    value: { air: 'cannot-tell', swelling: 'cannot-tell', ...sunk.value },
    reasons: [why, ...sunk.reasons],
  })
  const few = tooFew(efforts)
  if (few) return open(few)
  const fit = fitted(input)
  if (!fit) return open(reason('feel-too-alike', 'physics'))
  const spoilt = doesNotFit(fit, efforts.length)
  if (spoilt) return open(spoilt)
  const [airMl, swellingMlPerMPa, clearanceMl] = fit.values
  const [airErrorMl, swellingErrorMlPerMPa] = fit.errors
  const air = against(airMl, airErrorMl, FELT_AIR_ML)
  const swelling = against(swellingMlPerMPa, swellingErrorMlPerMPa, SOUND_SWELLING_ML_PER_MPA)
  return {
    value: {
      air,
      swelling,
      ...sunk.value,
      airMl: Math.max(0, airMl),
      airErrorMl,
      swellingMlPerMPa: Math.max(0, swellingMlPerMPa),
      swellingErrorMlPerMPa,
      clearanceMl: Math.max(0, clearanceMl),
    },
    reasons: [
      reason(`feel-air-${air}`, 'physics', { feltMl: FELT_AIR_ML }),
      reason(`feel-swelling-${swelling}`, 'physics', { sound: SOUND_SWELLING_ML_PER_MPA }),
      ...sunk.reasons,
    ],
  }
}

/** Share of the clearance that is taken up at a pressure, and how far it may be off. */
function takenUp(pressureKPa: number): { share: number; off: number } {
  const [least, most] = [TAKEN_UP_KPA.latest, TAKEN_UP_KPA.soonest].map((kPa) =>
    Math.min(1, pressureKPa / kPa),
  ) as [number, number]
  return { share: (least + most) / 2, off: (most - least) / 2 }
}

/** What the cylinder moves at a pressure by such a fit, in mL. */
export const movedMl = ([airMl, swellingMlPerMPa, clearanceMl]: Fit['values'], pressureKPa: number): number =>
  airMl * squeezedShare(pressureKPa) +
  (swellingMlPerMPa * pressureKPa) / 1000 +
  clearanceMl * takenUp(pressureKPa).share

/** Air, swelling and clearance by the readings, each reading weighed by what rule, gauge and take-up leave open. */
function fitted({
  boreMm,
  pedalRatio,
  efforts,
  travelErrorMm,
  gaugeErrorPct,
}: Parameters<typeof pedalFeel>[0]): Fit | undefined {
  const mlPerMm = cylinderMl(boreMm, 1) / pedalRatio
  const rows = efforts.map(
    ({ pressureKPa }) =>
      [squeezedShare(pressureKPa), pressureKPa / 1000, takenUp(pressureKPa).share] as const,
  )
  const moved = efforts.map(({ travelMm }) => travelMm * mlPerMm)
  let errors = efforts.map(() => travelErrorMm * mlPerMm)
  let fit = leastSquares(rows, moved, errors)
  for (let pass = 0; fit && pass < PASSES; pass++) {
    const positive = fit.values.map((value) => Math.max(0, value)) as Fit['values']
    errors = efforts.map(({ pressureKPa }) => {
      const gaugeKPa = (pressureKPa * gaugeErrorPct) / 100
      const byGauge =
        (movedMl(positive, pressureKPa + gaugeKPa) - movedMl(positive, pressureKPa - gaugeKPa)) / 2
      return Math.hypot(travelErrorMm * mlPerMm, byGauge, positive[2] * takenUp(pressureKPa).off)
    })
    fit = leastSquares(rows, moved, errors)
  }
  return fit
}

/** Readings that air, swelling and clearance together cannot have made, within their errors. */
function doesNotFit({ values, errors, chiSquared }: Fit, efforts: number): Reason | undefined {
  const freedoms = efforts - values.length
  if (freedoms > 0 && chiSquared > chiSquared99(freedoms)) return reason('feel-no-fit', 'physics')
  // Both edges are nine in ten; a sign that turns is asked for more surely.
  const below = values.some((value, i) => value + 1.5 * (errors[i] ?? 0) < 0)
  return below ? reason('feel-below-nothing', 'physics') : undefined
}

/** Above a limit, below it, or too uncertain to say. */
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
  if (pressures.size < 3) return reason('feel-too-few', 'physics')
  if (Math.min(...pressures) >= LIGHT_KPA)
    return reason('feel-none-light', 'physics', { lightKPa: LIGHT_KPA })
  return undefined
}

function judgeSink(
  sink: Sink | undefined,
  travelErrorMm: number,
): Decision<Pick<PedalFeel, 'sink' | 'sinkMmPerMin'>> {
  if (!sink) return { value: { sink: 'cannot-tell' }, reasons: [reason('feel-sink-cannot-tell', 'practice')] }
  if (!(sink.heldS > 0)) throw new ImpossibleInput('sink.heldS', 'give a time above 0 s')
  if (!(sink.sinkMm >= 0)) throw new ImpossibleInput('sink.sinkMm', 'give a sink of 0 mm or more')
  const sinkMmPerMin = (sink.sinkMm * 60) / sink.heldS
  const error = (travelErrorMm * 60) / sink.heldS
  const answer = sink.heldS < LEAST_HOLD_S ? 'cannot-tell' : against(sinkMmPerMin, error, SINKS_MM_PER_MIN)
  return { value: { sink: answer, sinkMmPerMin }, reasons: [reason(`feel-sink-${answer}`, 'practice')] }
}
