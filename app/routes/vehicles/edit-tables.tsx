import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import type { Fault } from '~core/base/fault'
import {
  addBleeder,
  addSegment,
  type EditTarget,
  removeBleeder,
  removeLine,
  removePart,
  setField,
  valueAt,
} from '~core/vehicle/edit/edit'
import { type EditField, lineFields, partFields } from '~core/vehicle/edit/fields'
import { bleedersOf, partFact } from '~core/vehicle/parts'
import type { Line, Part, Vehicle } from '~core/vehicle/schema'
import { EditCell } from './edit-cell'

type Props = { vehicle: Vehicle; faults: readonly Fault[]; change: (next: Vehicle) => void }
type GroupProps = Props & { target: EditTarget; fields: readonly EditField[] }

/** The fields of one thing side by side, each with its own fault. */
export function FieldGroup({ vehicle, faults, change, target, fields }: GroupProps) {
  const root = target.in === 'vehicle' ? [] : [target.in, target.at]
  return (
    <div className="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-3 xl:grid-cols-4">
      {fields.map((field) => {
        const path = [...root, ...field.path].join('.')
        return (
          <EditCell
            key={path}
            field={field}
            value={valueAt(vehicle, target, field)}
            fault={faults.find((fault) => fault.path === path)?.message}
            change={(value) => change(setField(vehicle, target, field, value))}
          />
        )
      })}
    </div>
  )
}

const Assumed = ({ vehicle, id }: { vehicle: Vehicle; id?: string }) =>
  vehicle.assumed?.includes(id ?? '') ? (
    <span className="ml-2 text-sm font-normal text-quiet">≈ usual, not measured</span>
  ) : null

const FaultsAt = ({ faults, path }: { faults: readonly Fault[]; path: string }) =>
  faults
    .filter((fault) => fault.path === path)
    .map(({ message }) => (
      <p key={message} className="fault text-sm">
        {message}
      </p>
    ))

/** Every part with what may be changed on it. */
export function PartTable(props: Props) {
  return (
    <ul className="grid gap-4">
      {props.vehicle.parts.map((part, at) => (
        <PartRow key={part.id} {...props} part={part} at={at} />
      ))}
    </ul>
  )
}

function PartRow({ part, at, ...props }: Props & { part: Part; at: number }) {
  const say = useSay()
  const { vehicle, faults, change } = props
  return (
    <li className="grid gap-2 border-t-2 border-rule pt-2">
      <div className="flex flex-wrap items-center gap-2">
        <h3 className="grow font-bold wrap-anywhere">
          {say(partFact(part))} ({part.id})
          <Assumed vehicle={vehicle} id={part.id} />
        </h3>
        {'bleeders' in part && (
          <Button onClick={() => change(addBleeder(vehicle, part.id))}>Add a bleeder</Button>
        )}
        <Button
          aria-label={`Remove ${part.id} and its lines`}
          onClick={() => change(removePart(vehicle, part.id))}
        >
          Remove
        </Button>
      </div>
      <FaultsAt faults={faults} path={`parts.${at}`} />
      <FieldGroup {...props} target={{ in: 'parts', at }} fields={partFields(part)} />
      {bleedersOf(part).length > 0 && (
        <div className="flex flex-wrap gap-2">
          {bleedersOf(part).map(({ id }) => (
            <Button key={id} onClick={() => change(removeBleeder(vehicle, id))}>
              Remove bleeder {id}
            </Button>
          ))}
        </div>
      )}
    </li>
  )
}

/** Every line with its segments. */
export function LineTable(props: Props) {
  return (
    <ul className="grid gap-4">
      {props.vehicle.lines.map((line, at) => (
        <LineRow key={line.id ?? `${line.from} ${line.to}`} {...props} line={line} at={at} />
      ))}
    </ul>
  )
}

function LineRow({ line, at, ...props }: Props & { line: Line; at: number }) {
  const { vehicle, faults, change } = props
  return (
    <li className="grid gap-2 border-t-2 border-rule pt-2">
      <div className="flex flex-wrap items-center gap-2">
        <h3 className="grow font-bold wrap-anywhere">
          {line.from} to {line.to}, circuit {line.circuit}
          <Assumed vehicle={vehicle} id={line.id} />
        </h3>
        <Button
          aria-label={`Add a segment to the line to ${line.to}`}
          onClick={() => change(addSegment(vehicle, at))}
        >
          Add a segment
        </Button>
        <Button aria-label={`Remove the line to ${line.to}`} onClick={() => change(removeLine(vehicle, at))}>
          Remove
        </Button>
      </div>
      <FaultsAt faults={faults} path={`lines.${at}`} />
      <FieldGroup {...props} target={{ in: 'lines', at }} fields={lineFields(line)} />
    </li>
  )
}
