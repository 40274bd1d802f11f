import type { FieldMetadata } from '@conform-to/react'
import { TextField } from '~/ui/field'
import { type FluidSpec, fluidOf } from '~core/fluid/specs'

type Fields = Record<'productName' | 'dryC' | 'wetC', FieldMetadata<unknown>>

/** The product that is in it, where somebody has its data sheet. */
export function ProductFields({ fields, open, spec }: { fields: Fields; open: boolean; spec: FluidSpec }) {
  if (fluidOf(spec).base !== 'glycol') return null
  return (
    <details open={open}>
      <summary className="font-bold">The product in it, from its data sheet</summary>
      <div className="grid gap-3">
        <p className="text-sm text-quiet">
          Left empty, it is judged by the least that {spec} must hold. The product’s own figures make the
          boiling point a second opinion.
        </p>
        <TextField field={fields.productName} label="Product" />
        <div className="grid gap-3 sm:grid-cols-2">
          <TextField field={fields.dryC} label="Dry boiling point" quantity="temperature" />
          <TextField field={fields.wetC} label="Wet boiling point" quantity="temperature" />
        </div>
      </div>
    </details>
  )
}
