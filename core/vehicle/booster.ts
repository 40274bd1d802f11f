import type { Vehicle } from './schema'

/** From here on cars, vans and trucks are taken to have one. @source from memory */
const USUAL_SINCE = 1965

/** What helps the foot: as the file states it, else the usual for its kind and year. */
export function boosterOf({
  booster,
  kind,
  modelYear,
}: Pick<Vehicle, 'booster' | 'kind' | 'modelYear'>): NonNullable<Vehicle['booster']> {
  if (booster !== undefined) return booster
  const usual = kind === 'car' || kind === 'van' || kind === 'truck'
  return usual && (modelYear ?? USUAL_SINCE) >= USUAL_SINCE ? 'vacuum' : 'none'
}
