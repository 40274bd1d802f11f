import { ImpossibleInput } from '../../base/fault'

/**
 * What drawing the reservoir down first saves against flushing it through: V·(ln(1/f) − (1 − f)). To reach the same
 * old share f by flushing, ln(1/f) volumes go through; after drawing down to f, filling takes 1 − f.
 *
 * A 400 mL reservoir drawn down to a tenth saves 561 mL.
 *
 * @param shareLeft of the reservoir that stays in it, above 0 and up to 1; every port stays covered
 * @returns mL, 0 or more
 * @source one stirred tank (Levenspiel) against filling by volume
 */
export function drawDownSavingMl(reservoirMl: number, shareLeft: number): number {
  if (!(reservoirMl > 0)) throw new ImpossibleInput('reservoirMl', 'give a reservoir above 0 mL')
  if (!(shareLeft > 0 && shareLeft <= 1))
    throw new ImpossibleInput('shareLeft', 'give what stays in it: above 0 and at most all of it')
  return reservoirMl * (Math.log(1 / shareLeft) - (1 - shareLeft))
}
