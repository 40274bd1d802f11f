import { boilingBench } from './boiling'
import { bubblesBench } from './bubbles'
import { leftRightBench } from './left-right'
import { oldFluidBench } from './old-fluid'
import type { BenchPage } from './page'
import { pedalBench } from './pedal'
import { pullBench } from './pull'
import { sheetBench } from './sheet'
import { temperatureBench } from './temperature'

/** Every page of the Bench, in the order they are shown. A new one is one file, one line here, its words and its picture. */
export const benchPages = [
  boilingBench,
  oldFluidBench,
  leftRightBench,
  temperatureBench,
  pedalBench,
  bubblesBench,
  pullBench,
  sheetBench,
  // Their inputs and results differ; each page’s own fit together was checked where it was defined.
] as unknown as readonly BenchPage[]

export const benchPageOf = (id: string | undefined): BenchPage | undefined =>
  benchPages.find((page) => page.id === id)
