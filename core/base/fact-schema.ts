import { z } from 'zod'
import { bases, type Fact, type Params } from './decision'

const param: z.ZodType = z.union([
  z.string().max(4000),
  z.number(),
  z.boolean(),
  z.lazy(() => factSchema),
  z.array(z.union([z.string().max(500), z.number(), z.lazy(() => factSchema)])).max(400),
])

/** What fills a fact, and its sentence where an earlier version recorded one. */
export const factFilling = {
  params: (z.record(z.string().max(60), param) as unknown as z.ZodType<Params>).optional(),
  text: z.string().max(4000).optional(),
}

const factShape = { code: z.string().max(120), ...factFilling }

/** A fact as it is stored and sent. */
export const factSchema: z.ZodType<Fact> = z.object(factShape)

/** The same with more beside it. */
export const factWith = <S extends z.ZodRawShape>(shape: S) => z.object({ ...factShape, ...shape })

export const reasonSchema = factWith({ basis: z.enum(bases) })
