import type { Part } from '../vehicle/schema'
import type { Port } from './find-way'
import type { Place } from './places'
import type { Box } from './sheet'

/** Every point of a part's edge but its corners, with the way out of it. */
function edgePorts({ left, top, width, height }: Box): Port[] {
  const ports: Port[] = []
  for (let x = left + 1; x < left + width; x++)
    ports.push({ x, y: top, out: 3 }, { x, y: top + height, out: 1 })
  for (let y = top + 1; y < top + height; y++)
    ports.push({ x: left, y, out: 2 }, { x: left + width, y, out: 0 })
  return ports
}

const pointPorts = ({ left: x, top: y }: Box): Port[] => [
  { x, y, out: 0 },
  { x, y, out: 1 },
  { x, y, out: 2 },
  { x, y, out: 3 },
]

/** Where lines may join a part: its edge, or the four ways into a tee that is one point. */
export const portsOf = ({ box }: Place): Port[] => (box.width === 0 ? pointPorts(box) : edgePorts(box))

/** Where lines leave one chamber of a cylinder: its own stretch of the edge. */
export function chamberPorts({ part, box }: Place, chamberId: string): Port[] {
  const chambers = part.type === 'master-cylinder' ? part.chambers : []
  const at = chambers.findIndex(({ id }) => id === chamberId)
  const from = box.left + (at * box.width) / chambers.length
  const to = box.left + ((at + 1) * box.width) / chambers.length
  return edgePorts(box).filter(({ x }) => x >= from && x <= to && (x > from || at === 0 || x === box.left))
}

/** Whether a part has chambers that lines leave. */
export const hasChamber = (part: Part, id: string): boolean =>
  part.type === 'master-cylinder' && part.chambers.some((chamber) => chamber.id === id)
