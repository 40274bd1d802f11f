import { z } from 'zod'
import { decimal, quantityField } from '~/lib/fields'
import { fluidSpecs } from '~core/fluid/specs'
import { layouts } from '~core/vehicle/layouts'
import type { Layout, LayoutAnswers } from '~core/vehicle/layouts/layout'
import { tidyVin } from '~core/vehicle/vin'

/** A new vehicle as the form asks for it; distances and marks left empty are the layout's usual ones. */
export const newVehicleSchema = z.object({
  layout: z.string('Pick what it is like.').transform((id, context) => {
    const layout = layouts.find((each) => each.id === id)
    if (layout) return layout
    context.addIssue({ code: 'custom', message: 'Pick what it is like.' })
    return z.NEVER
  }),
  name: z.string('Give it a name.').trim().min(1, 'Give it a name.').max(200, 'Give at most 200 characters.'),
  plate: z.string().trim().max(20, 'Give at most 20 characters.').default(''),
  vin: z.string().max(40, 'Give at most 17 signs.').default('').transform(tidyVin),
  driverSide: z.enum(['left', 'right', 'centre'], 'Pick a side.').default('left'),
  fluidSpec: z.enum(fluidSpecs, 'Pick a fluid.').default('DOT 4'),
  wheelbaseMm: decimal({ min: 300, max: 20_000, unit: 'mm' }),
  trackMm: decimal({ min: 200, max: 5000, unit: 'mm' }),
  maxMl: quantityField('volume', { min: 5, max: 20_000 }),
  minMl: quantityField('volume', { min: 0, max: 20_000 }),
})
export type NewVehicle = z.output<typeof newVehicleSchema>

/** Marks of the layout's first reservoir. */
export function usualMarks({ pattern }: Layout): { maxMl: number; minMl: number } {
  const { parts } = pattern as { parts: { type: string; maxMl?: number; minMl?: number }[] }
  const reservoir = parts.find(({ type }) => type === 'reservoir')
  return { maxMl: reservoir?.maxMl ?? 0, minMl: reservoir?.minMl ?? 0 }
}

/** The answers with the layout's usual figures where none was given. */
export function answersOf(form: Omit<NewVehicle, 'plate' | 'vin'>): LayoutAnswers {
  const usual = usualMarks(form.layout)
  return {
    name: form.name,
    driverSide: form.driverSide,
    fluidSpec: form.fluidSpec,
    wheelbaseMm: form.wheelbaseMm ?? form.layout.wheelbaseMm,
    trackMm: form.trackMm ?? form.layout.trackMm,
    maxMl: form.maxMl ?? usual.maxMl,
    minMl: form.minMl ?? usual.minMl,
  }
}
