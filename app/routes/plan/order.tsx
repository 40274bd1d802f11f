import {
  type Announcements,
  closestCenter,
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import { arrayMove, SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { ArrowDown, ArrowUp, GripVertical } from 'lucide-react'
import { withOrder } from '~/lib/order-in-address'
import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import { Notice } from '~/ui/notice'
import { Panel } from '~/ui/panel'
import type { PlanOrder } from '~core/plan/answer'
import type { Shop } from '~core/plan/request'
import { type RoutedBleeder, routedBleeders } from '~core/vehicle/network'
import { partFact } from '~core/vehicle/parts'
import type { Vehicle } from '~core/vehicle/schema'
import { useChanges } from './changes'
import { OtherSchools } from './other-schools'

/** The form that takes the plan; the reason for another order is sent with it. */
export const TAKE_PLAN_FORM = 'take-plan'

/** What a drag says to those who hear the page. */
const spoken: Announcements = {
  onDragStart: ({ active }) => `${active.id} taken up.`,
  onDragOver: ({ active, over }) => (over ? `${active.id} over ${over.id}.` : undefined),
  onDragEnd: ({ active, over }) => (over ? `${active.id} put in the place of ${over.id}.` : undefined),
  onDragCancel: ({ active }) => `${active.id} stays where it was.`,
}

type Props = {
  vehicle: Vehicle
  order: PlanOrder
  school: Shop['orderSchool']
  /** The work has begun: the order is shown and no longer moved. */
  fixed: boolean
  fault?: string
}

/** The order of the bleeders: moved by drag or by buttons, with what that does, and what other schools would do. */
export function Order({ vehicle, order, school, fixed, fault }: Props) {
  const [, change] = useChanges()
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }))
  const { stated, bleeders } = order
  const routes = new Map(routedBleeders(vehicle).map((placed) => [placed.bleeder.id, placed]))
  const go = (to: readonly string[] | 'usual') => change((now) => withOrder(now, to))
  function move(from: number, to: number) {
    if (to < 0 || to >= bleeders.length || from === to) return
    const moved = arrayMove(bleeders, from, to)
    const usual = stated?.usual ?? order.bleeders
    go(moved.every((id, i) => id === usual[i]) ? 'usual' : moved)
  }
  const dragged = ({ active, over }: DragEndEvent) => {
    if (over) move(bleeders.indexOf(String(active.id)), bleeders.indexOf(String(over.id)))
  }
  const rows = bleeders.map((id, i) => (
    <Row
      key={id}
      id={id}
      at={i}
      last={bleeders.length - 1}
      placed={routes.get(id)}
      fixed={fixed}
      move={move}
    />
  ))
  return (
    <Panel aria-labelledby="order">
      <h2 id="order">Order</h2>
      <p className="mb-2">
        {stated ? <strong>Set by hand.</strong> : <UsualOrder vehicle={vehicle} school={school} />}
      </p>
      {fixed ? (
        <ol className="grid gap-1">{rows}</ol>
      ) : (
        <DndContext
          id="order"
          sensors={sensors}
          collisionDetection={closestCenter}
          accessibility={{ announcements: spoken }}
          onDragEnd={dragged}
        >
          <SortableContext items={bleeders} strategy={verticalListSortingStrategy}>
            <ol className="grid gap-1">{rows}</ol>
          </SortableContext>
        </DndContext>
      )}
      {stated && <Stated stated={stated} fixed={fixed} fault={fault} back={() => go('usual')} />}
      <OtherSchools schools={order.schools} />
    </Panel>
  )
}

function UsualOrder({ vehicle, school }: Pick<Props, 'vehicle' | 'school'>) {
  const name = useSay()({ code: `school-${school}` })
  return vehicle.makerOrder?.length ? (
    <>The maker’s order; {name.toLowerCase()} for the rest.</>
  ) : (
    <>{name}.</>
  )
}

type RowProps = {
  id: string
  at: number
  last: number
  placed?: RoutedBleeder
  fixed: boolean
  move: (from: number, to: number) => void
}

function Row({ id, at, last, placed, fixed, move }: RowProps) {
  const { listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
    disabled: fixed,
  })
  const say = useSay()
  const style = { transform: CSS.Translate.toString(transform), transition }
  return (
    <li
      ref={setNodeRef}
      style={style}
      className={`grid grid-cols-[auto_2rem_1fr_auto] items-center gap-2 border-2 bg-enamel pl-1 ${isDragging ? 'relative z-10 border-oxide' : 'border-rule'}`}
    >
      {fixed ? (
        <span />
      ) : (
        <span
          ref={setActivatorNodeRef}
          {...listeners}
          aria-hidden="true"
          className="grid h-12 w-8 cursor-grab touch-none place-items-center"
        >
          <GripVertical size={20} />
        </span>
      )}
      <span className="text-xl font-extrabold">{at + 1}</span>
      <span className="min-w-0 py-1">
        <strong className="wrap-anywhere">{id}</strong>
        {placed && (
          <span className="block text-sm text-quiet">
            {say(partFact(placed.part))}
            {placed.route &&
              `, run ${say.show('run', placed.route.lengthM)}, circuit ${placed.route.circuit}`}
          </span>
        )}
      </span>
      {!fixed && (
        <span className="flex">
          <MoveButton name={`Move ${id} up`} disabled={at === 0} go={() => move(at, at - 1)}>
            <ArrowUp size={22} aria-hidden="true" />
          </MoveButton>
          <MoveButton name={`Move ${id} down`} disabled={at === last} go={() => move(at, at + 1)}>
            <ArrowDown size={22} aria-hidden="true" />
          </MoveButton>
        </span>
      )}
    </li>
  )
}

function MoveButton(props: { name: string; disabled: boolean; go: () => void; children: React.ReactNode }) {
  return (
    <button
      type="button"
      aria-label={props.name}
      disabled={props.disabled}
      onClick={props.go}
      className="grid size-12 cursor-pointer place-items-center border-l-2 border-rule hover:bg-oxide-wash disabled:cursor-not-allowed disabled:opacity-30"
    >
      {props.children}
    </button>
  )
}

function Stated(props: {
  stated: NonNullable<PlanOrder['stated']>
  fixed: boolean
  fault?: string
  back: () => void
}) {
  const { stated, fixed, fault } = props
  const say = useSay()
  return (
    <div className="mt-3 grid gap-3">
      <div role="status" className="grid gap-2">
        {stated.warnings.map((warning) => (
          <Notice key={JSON.stringify(warning)} kind="stop" className="bg-enamel">
            <strong>Mind: </strong>
            {say(warning)}
          </Notice>
        ))}
        {stated.warnings.length === 0 && !fixed && (
          <p className="border-l-8 border-ink pl-3">It brings nothing old into what is clean.</p>
        )}
      </div>
      {fixed ? (
        <p>
          <strong>Why:</strong> {stated.why}
        </p>
      ) : (
        <>
          <label className="grid gap-1">
            <span className="field-label">Why this order? It stays in the record</span>
            <textarea
              form={TAKE_PLAN_FORM}
              name="orderWhy"
              className="input"
              rows={2}
              maxLength={500}
              defaultValue={stated.why}
              aria-invalid={fault !== undefined}
              aria-describedby={fault ? 'order-fault' : undefined}
            />
          </label>
          {fault && (
            <p id="order-fault" role="alert" className="fault">
              {fault}
            </p>
          )}
          <Button className="justify-self-start" onClick={props.back}>
            Back to {stated.usual.join(', ')}
          </Button>
        </>
      )}
    </div>
  )
}
