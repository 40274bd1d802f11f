import { upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Choices, NoteField, TextField } from '~/ui/field'
import { Panel } from '~/ui/panel'
import { wheelsOff } from '~core/plan/wheels-off'
import { partFact, partsOf, reservoirFact } from '~core/vehicle/parts'
import type { SectionProps } from './fields'

/** How full it is and how far the pads are worn, which wheels come off, and whether pistons are pressed home. */
export function WearSection({ vehicle, fields }: SectionProps) {
  const show = useShow()
  const say = useSay()
  const brakes = partsOf(vehicle, 'wheel-brake')
  const reservoirs = partsOf(vehicle, 'reservoir')
  return (
    <Panel className="grid gap-5">
      <h2>Level and wear</h2>
      <div className="grid gap-4 sm:grid-cols-2">
        {fields.levelMl.getFieldList().map((field, i) => {
          const reservoir = reservoirs[i]
          return (
            reservoir && (
              <TextField
                key={reservoir.id}
                field={field}
                label={`In ${say(reservoirFact(vehicle, reservoir.id))} now`}
                quantity="volume"
                hint={`MIN ${show.number('volume', reservoir.minMl)}, MAX ${show('volume', reservoir.maxMl)}`}
              />
            )
          )
        })}
        <TextField field={fields.odometerKm} label="Odometer" quantity="distance" />
      </div>
      {wheelsOff(vehicle, {}).length > 0 && (
        <Choices
          field={fields.wheels}
          legend="Wheels that stay on: their bleeders are reached as it stands"
          options={brakes.map((brake) => ({
            value: brake.id,
            label: upperFirst(say(partFact(brake))),
          }))}
          multiple
        />
      )}
      <Choices
        field={fields.pistonsHome}
        legend="New pads: pistons that are pressed home before the bleed"
        options={brakes.map((brake) => ({ value: brake.id, label: upperFirst(say(partFact(brake))) }))}
        columns="grid-cols-2"
        multiple
      />
      <fieldset>
        <legend className="field-label">
          How far each piston stands out by wear (floating caliper: both pads and the disc)
        </legend>
        <div className="grid gap-4 sm:grid-cols-2">
          {fields.wear.getFieldList().map((field, i) => {
            const brake = brakes[i]
            return (
              brake && (
                <TextField
                  key={brake.id}
                  field={field}
                  label={say(partFact(brake))}
                  unit="mm"
                  decimal
                  hint={`On file: ${brake.padWearMm} mm`}
                />
              )
            )
          })}
        </div>
      </fieldset>
      <NoteField field={fields.note} label="Wet places, lamps, what the driver said" />
    </Panel>
  )
}
