import { z } from 'zod'
import { decimal, quantityField, requiredQuantity } from '~/lib/fields'
import { fluidSpecs } from '~core/fluid/specs'
import { openedRuleIds } from '~core/stock/opened-rule'
import { wasteKindIds } from '~core/stock/waste'

const short = (most: number) => z.string().trim().max(most, `At most ${most} characters.`)

/** A delivery: so many containers of one product. */
export const deliverySchema = z
  .object({
    product: z
      .string('Give the product’s name.')
      .trim()
      .min(1, 'Give the product’s name.')
      .max(60, 'At most 60 characters.'),
    spec: z.enum(fluidSpecs, 'Pick what it is.'),
    batch: short(60).default(''),
    sizeMl: requiredQuantity('volume', { min: 10, max: 250_000 }, 'Give the size of one.'),
    count: z
      .string('Give how many.')
      .regex(/^\d{1,2}$/, 'Give a whole number from 1 to 50.')
      .transform(Number)
      .refine((count) => count >= 1 && count <= 50, 'Give a whole number from 1 to 50.'),
    price: decimal({ min: 0, max: 100_000, unit: '' }),
    openedOn: z.iso.date('Give a day.').optional(),
    leftMl: quantityField('volume', { min: 0, max: 250_000 }),
    dryC: quantityField('temperature', { min: 150, max: 370 }),
    wetC: quantityField('temperature', { min: 100, max: 300 }),
  })
  .superRefine(({ leftMl, sizeMl, openedOn, dryC, wetC }, context) => {
    const issue = (path: string, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message })
    if (leftMl !== undefined && leftMl > sizeMl) issue('leftMl', 'There cannot be more left than it holds.')
    if (leftMl !== undefined && leftMl < sizeMl && openedOn === undefined)
      issue('openedOn', 'It is not full, so it is open: give the day it was opened.')
    if ((dryC === undefined) !== (wetC === undefined))
      issue(dryC === undefined ? 'dryC' : 'wetC', 'Give both of the sheet’s figures, or neither.')
    if (dryC !== undefined && wetC !== undefined && wetC > dryC)
      issue('wetC', 'The wet boiling point cannot be above the dry one.')
  })

export const shelfSettingsSchema = z.object({
  rule: z.enum(openedRuleIds, 'Pick a rule.'),
  money: short(8).default(''),
  drumMl: requiredQuantity('volume', { min: 500, max: 1_000_000 }, 'Give what a drum holds.'),
})

export const handOverSchema = z.object({
  kind: z.enum(wasteKindIds),
  on: z.iso.date('Give the day.'),
  paper: z
    .string('Give the number of the paper.')
    .trim()
    .min(1, 'Give the number of the paper.')
    .max(60, 'At most 60 characters.'),
})
