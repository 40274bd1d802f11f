import type { MapLayout } from '~core/linemap/sheet'
import type { Vehicle } from '~core/vehicle/schema'

/** The vehicle's body behind its hydraulics, filled and never a line, so that front, rear and sides are seen at once. */
export function bodyOutline({ kind }: Vehicle, { width, height, tyres }: MapLayout): string {
  const mid = width / 2
  const axles = [...new Set(tyres.map(({ y }) => y))]
  switch (kind) {
    case 'motorcycle':
      return [
        `M${mid - 96} 112 Q${mid - 60} 84 ${mid - 20} 92 H${mid + 20} Q${mid + 60} 84 ${mid + 96} 112 L${mid + 92} 118 Q${mid + 60} 98 ${mid + 26} 106`,
        `V${height * 0.52} Q${mid + 14} ${height * 0.6} ${mid + 16} ${height * 0.68} V${height - 62} H${mid - 16}`,
        `V${height * 0.68} Q${mid - 14} ${height * 0.6} ${mid - 26} ${height * 0.52} V106 Q${mid - 60} 98 ${mid - 92} 118 Z`,
      ].join(' ')
    case 'trailer':
      return `M${mid - 8} 14 H${mid + 8} L${width - 36} ${height / 3} V${height - 12} H36 V${height / 3} Z`
    case 'quad':
      return [
        `M${mid - 46} 20 Q${mid} 8 ${mid + 46} 20 L${mid + 30} ${height / 3} H${mid + 44} V${(2 * height) / 3} H${mid + 30} L${mid + 46} ${height - 18} H${mid - 46} L${mid - 30} ${(2 * height) / 3} H${mid - 44} V${height / 3} H${mid - 30} Z`,
        ...axles.map((y) => `M16 ${y - 4} H${width - 16} V${y + 4} H16 Z`),
      ].join(' ')
    case 'van':
    case 'truck':
      return `M34 28 Q${mid} 4 ${width - 34} 28 V${height - 12} H34 Z`
    case 'car':
      return `M36 36 Q${mid} -4 ${width - 36} 36 V${height - 30} Q${mid} ${height} 36 ${height - 30} Z`
  }
}
