import { z } from 'zod'
import { decimal, quantityField } from '~/lib/fields'
import { fluidSpecs } from '~core/fluid/specs'
import { colours } from '~core/fluid/specs/colour'
import type { CheckIn } from '~core/job/events'
import { reasonIds } from '~core/plan/request'
import { wheelsOff } from '~core/plan/wheels-off'
import { partsOf } from '~core/vehicle/parts'
import type { Vehicle } from '~core/vehicle/schema'

/** What the check-in form holds, as typed. `wear` follows the vehicle's wheel brakes in their order, `levelMl` its reservoirs. */
export const checkInFormSchema = z.object({
  eventId: z.string(),
  reason: z.enum(reasonIds, 'Say why it is here.'),
  opened: z.array(z.string()).default([]),
  replaced: z.array(z.string()).default([]),
  state: z.array(z.enum(['ranDry', 'systemEmpty', 'portsStayedCovered'])).default([]),
  /** Brakes whose pistons are pressed home for new pads. */
  pistonsHome: z.array(z.string().max(60)).default([]),
  /** Brakes whose wheel stays on. */
  wheels: z.array(z.string().max(60)).default([]),
  colour: z.enum(colours, 'Pick the colour in the reservoir.'),
  fluidFound: z.enum([...fluidSpecs, 'as-specified', 'unknown'], 'Say which fluid is in it.'),
  levelMl: z.array(quantityField('volume', { min: 0, max: 20_000 })).default([]),
  wear: z.array(decimal({ min: 0, max: 60, unit: 'mm' })).default([]),
  odometerKm: quantityField('distance', { min: 0, max: 5_000_000 }),
  bay: z.string().trim().max(40, 'At most 40 characters.').optional(),
  note: z.string().max(2000, 'At most 2000 characters.').default(''),
})
export type CheckInForm = z.output<typeof checkInFormSchema>
export type CheckInTyped = z.input<typeof checkInFormSchema>

/** The form's answers as the job keeps them. */
export function checkInOf(form: CheckInForm, vehicle: Vehicle, typed?: Record<string, string>): CheckIn {
  const wear = partsOf(vehicle, 'wheel-brake').flatMap((brake, i): [string, number][] => {
    const mm = form.wear[i]
    return mm === undefined ? [] : [[brake.id, mm]]
  })
  const levels = partsOf(vehicle, 'reservoir').flatMap(({ id }, i): [string, number][] => {
    const seenMl = form.levelMl[i]
    return seenMl === undefined ? [] : [[id, seenMl]]
  })
  return {
    work: {
      reason: form.reason,
      opened: form.opened,
      replaced: form.replaced,
      ranDry: form.state.includes('ranDry'),
      systemEmpty: form.state.includes('systemEmpty'),
      padWearMm: Object.fromEntries(wear),
      ...(levels.length > 0 && { levelMl: Object.fromEntries(levels) }),
      ...(form.pistonsHome.length > 0 && { pistonsHome: form.pistonsHome }),
      ...(form.wheels.length > 0 && {
        wheelsOff: wheelsOff(vehicle, {}).filter((id) => !form.wheels.includes(id)),
      }),
      fluidFound: form.fluidFound === 'as-specified' ? undefined : form.fluidFound,
      ways: [],
    },
    colour: form.colour,
    levelMl: form.levelMl[0],
    ...(form.state.includes('portsStayedCovered') && { portsStayedCovered: true }),
    odometerKm: form.odometerKm,
    ...(typed && { typed }),
    bay: form.bay,
    note: form.note,
  }
}
