import type { Check } from '../check'
import { adjusted } from './adjusted'
import { bledAgain } from './bled-again'
import { bleederOut } from './bleeder-out'
import { boiling } from './boiling'
import { bore } from './bore'
import { bubbles } from './bubbles'
import { crackBleeder } from './crack-bleeder'
import { crackPort } from './crack-port'
import { engineStarted } from './engine-started'
import { flow } from './flow'
import { heat } from './heat'
import { highPoint } from './high-point'
import { holdFirm } from './hold-firm'
import { holdLight } from './hold-light'
import { hoseClamped } from './hose-clamped'
import { hoseWire } from './hose-wire'
import { jointCracked } from './joint-cracked'
import { level } from './level'
import { levelLamp } from './level-lamp'
import { loosenCylinder } from './loosen-cylinder'
import { portsPlugged } from './ports-plugged'
import { pumpUp } from './pump-up'
import { pushrod } from './pushrod'
import { returnTest } from './return'
import { stood } from './stood'
import { threeEfforts } from './three-efforts'
import { thumb } from './thumb'
import { unitCycled } from './unit-cycled'
import { vacuumClosed } from './vacuum-closed'
import { wearSum } from './wear-sum'
import { wetPlaces } from './wet-places'

/** Everything that can be looked at. */
export const checks: readonly Check[] = [
  level,
  wetPlaces,
  pumpUp,
  holdLight,
  holdFirm,
  portsPlugged,
  threeEfforts,
  crackBleeder,
  crackPort,
  loosenCylinder,
  flow,
  bleederOut,
  jointCracked,
  returnTest,
  bubbles,
  vacuumClosed,
  thumb,
  pushrod,
  adjusted,
  hoseClamped,
  hoseWire,
  unitCycled,
  wearSum,
  highPoint,
  heat,
  stood,
  bore,
  levelLamp,
  boiling,
  bledAgain,
  engineStarted,
]

const byId = new Map(checks.map((check) => [check.id, check]))
export const checkOf = (id: string): Check | undefined => byId.get(id)
