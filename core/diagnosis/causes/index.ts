import type { Cause } from '../cause'
import { airCylinder } from './air-cylinder'
import { airLines } from './air-lines'
import { airUnit } from './air-unit'
import { bleederBlocked } from './bleeder-blocked'
import { bleederNotAtTop } from './bleeder-not-at-top'
import { boosterLeak } from './booster-leak'
import { boosterNoHelp } from './booster-no-help'
import { brakeSeized } from './brake-seized'
import { clutchMechanical } from './clutch-mechanical'
import { cylinderBypass } from './cylinder-bypass'
import { cylinderNoDraw } from './cylinder-no-draw'
import { cylinderNoReturn } from './cylinder-no-return'
import { falseBubbles } from './false-bubbles'
import { fluidBoils } from './fluid-boils'
import { hoseClosed } from './hose-closed'
import { hoseSoft } from './hose-soft'
import { levelSensor } from './level-sensor'
import { lineBlocked } from './line-blocked'
import { outsideLeak } from './outside-leak'
import { overfilled } from './overfilled'
import { padWear } from './pad-wear'
import { padsKnockedBack } from './pads-knocked-back'
import { padsUnbedded } from './pads-unbedded'
import { pushrodSlack } from './pushrod-slack'
import { pushrodTight } from './pushrod-tight'
import { sealsSwollen } from './seals-swollen'
import { shoesOut } from './shoes-out'
import { unitValve } from './unit-valve'

/** Everything that can be wrong. */
export const causes: readonly Cause[] = [
  airLines,
  airCylinder,
  airUnit,
  cylinderBypass,
  cylinderNoReturn,
  cylinderNoDraw,
  pushrodTight,
  pushrodSlack,
  hoseClosed,
  hoseSoft,
  lineBlocked,
  bleederBlocked,
  brakeSeized,
  shoesOut,
  outsideLeak,
  boosterLeak,
  boosterNoHelp,
  unitValve,
  bleederNotAtTop,
  falseBubbles,
  padWear,
  levelSensor,
  overfilled,
  fluidBoils,
  padsKnockedBack,
  padsUnbedded,
  sealsSwollen,
  clutchMechanical,
]

const byId = new Map(causes.map((cause) => [cause.id, cause]))
export const causeOf = (id: string): Cause | undefined => byId.get(id)
