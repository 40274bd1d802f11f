import type { Vehicle } from '~core/vehicle/schema'
import { BoilingPicture } from './boiling'
import { BubblesPicture } from './bubbles'
import { LeftRightPicture } from './left-right'
import { OldFluidPicture } from './old-fluid'
import { PedalPicture } from './pedal'
import { PullPicture } from './pull'
import { SheetPicture } from './sheet'
import { TemperaturePicture } from './temperature'

/** What a picture is drawn from; each knows its own page's result. */
export type PictureProps<R, V = unknown> = { result: R; values: V; vehicle?: Vehicle }

/** The picture of each page, by its id. */
export const pictures = {
  boiling: BoilingPicture,
  'old-fluid': OldFluidPicture,
  'left-right': LeftRightPicture,
  temperature: TemperaturePicture,
  pedal: PedalPicture,
  bubbles: BubblesPicture,
  pull: PullPicture,
  sheet: SheetPicture,
  // Each knows the result of the page whose id it has here.
} as unknown as Record<string, React.ComponentType<PictureProps<unknown>>>
