import { z } from 'zod'
import { wearDrop as compute } from '../../physics/exchange/wear-drop'
import { calculator } from './calculator'
import { between, pistonsField } from './fields'

export const wearDrop = calculator(
  'wear-drop',
  z.object({ pistons: pistonsField, wearMm: between(0, 200, 'mm') }),
  compute,
  {
    formula: 'Σ π/4·D² × how far each piston has moved out',
    source: 'geometry',
    limits:
      'A floating caliper’s piston travels the wear of both its pads and the disc, a fixed caliper’s each its own pad; drums that adjust themselves count as nothing.',
  },
)
