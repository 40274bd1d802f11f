import type { FieldMetadata } from '@conform-to/react'
import { MapDrawing } from '~/components/line-map/drawing'
import { useSay } from '~/lib/say'
import { Faults } from '~/ui/field'
import { Panel } from '~/ui/panel'
import '~/components/line-map/line-map.css'
import { perObject } from '~core/base/memo'
import { layoutVehicle } from '~core/linemap/layout'
import { layouts } from '~core/vehicle/layouts'
import { fromLayout } from '~core/vehicle/layouts/from-layout'
import { type Layout, layoutAbout, layoutFact } from '~core/vehicle/layouts/layout'
import type { Vehicle } from '~core/vehicle/schema'
import { answersOf } from './vehicle-form'

const kindNames: Record<Vehicle['kind'], string> = {
  car: 'Car',
  van: 'Van',
  truck: 'Lorry',
  motorcycle: 'Motorcycle',
  quad: 'Quad',
  trailer: 'Trailer',
}

export const kindOf = ({ pattern }: Layout) => (pattern as { kind: Vehicle['kind'] }).kind

/** Whether there is a side at which its driver sits. */
export const hasDriverSide = (layout: Layout): boolean => ['car', 'van', 'truck'].includes(kindOf(layout))

/** A layout as a vehicle with its usual figures, made once. */
const usualVehicle = perObject((layout: Layout): Vehicle => {
  const made = fromLayout(
    layout,
    answersOf({
      layout,
      name: layout.id,
      driverSide: hasDriverSide(layout) ? 'left' : 'centre',
      fluidSpec: 'DOT 4',
      wheelbaseMm: undefined,
      trackMm: undefined,
      maxMl: undefined,
      minMl: undefined,
    }),
  )
  if (!made.ok) throw new Error(`the layout ${layout.id} does not read`)
  return made.value
})

type Props = {
  field: FieldMetadata<unknown>
  chosen: Layout
  choose: (layout: Layout) => void
}

/** Pick a layout by its picture; only those of one kind of vehicle are shown at a time. */
export function LayoutPicker({ field, chosen, choose }: Props) {
  const kind = kindOf(chosen)
  const ofKind = (id: string) => layouts.filter((layout) => kindOf(layout) === id)
  return (
    <Panel title="What is it like?" className="grid gap-4">
      <fieldset className="flex flex-wrap gap-2">
        <legend className="sr-only">Kind of vehicle</legend>
        {Object.entries(kindNames).map(([id, name]) => (
          <label key={id} className="choice">
            <input
              type="radio"
              name="kind"
              value={id}
              checked={kind === id}
              onChange={() => choose(ofKind(id)[0] ?? chosen)}
            />
            {name}
          </label>
        ))}
      </fieldset>
      <fieldset aria-describedby={field.errors ? field.errorId : undefined}>
        <legend className="sr-only">Layout</legend>
        <div className="grid grid-cols-2 gap-2 md:grid-cols-3">
          {ofKind(kind).map((layout) => (
            <LayoutChoice
              key={layout.id}
              layout={layout}
              name={field.name}
              checked={layout === chosen}
              choose={() => choose(layout)}
            />
          ))}
        </div>
        <Faults field={field} />
      </fieldset>
    </Panel>
  )
}

type ChoiceProps = { layout: Layout; name: string; checked: boolean; choose: () => void }

function LayoutChoice({ layout, name, checked, choose }: ChoiceProps) {
  const say = useSay()
  const vehicle = usualVehicle(layout)
  const { width, height } = layoutVehicle(vehicle)
  return (
    <label className="choice grid! content-start gap-1! p-2!">
      <span className="flex items-center gap-2 font-bold leading-tight">
        <input type="radio" name={name} value={layout.id} checked={checked} onChange={choose} />
        {say(layoutFact(layout))}
      </span>
      <svg viewBox={`0 0 ${width} ${height}`} aria-hidden="true" className="line-map h-36 w-full">
        <MapDrawing vehicle={vehicle} />
      </svg>
      <span className="text-sm text-quiet">{say(layoutAbout(layout))}</span>
    </label>
  )
}
