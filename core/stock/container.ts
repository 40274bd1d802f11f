import type { FluidSpec } from '../fluid/specs'

/** One container of fluid as it stands on the shelf. */
export type ShelfContainer = {
  /** On its label, also as a barcode. */
  code: string
  product: string
  spec: FluidSpec
  batch: string
  sizeMl: number
  leftMl: number
  /** ISO date; left out while it is sealed. */
  openedOn?: string
  /** Of that, held back for plans that were taken. */
  reservedMl: number
  /** What it cost, in the shop's own money. */
  price?: number
}

/** What nobody has spoken for. */
export const freeMl = ({ leftMl, reservedMl }: Pick<ShelfContainer, 'leftMl' | 'reservedMl'>): number =>
  Math.max(0, leftMl - reservedMl)
