import { fact, reason } from '../base/decision'
import { type FluidSpec, fluidOf } from '../fluid/specs'
import { usualBleeder } from '../physics/hydraulics/bleeder'
import { flowMlPerMin } from '../physics/hydraulics/flow'
import { liquidAt } from '../technique/corner-flow'
import { routedBleeders } from '../vehicle/network'
import { flow as flowCalc } from './command/flow'
import { viscosity as viscosityCalc } from './command/viscosity'
import { fluidField, pieceColumns, piecesOf, piecesText } from './fields'
import { benchPage } from './page'

export type TemperatureResult = {
  mm2PerS: number
  mlPerMin: number
  /** Of its speed at 20 °C, from 0. */
  speed: number
  minutesFor100Ml: number
  curve: { tempC: number; mlPerMin: number }[]
}

const FROM_C = -20
const TO_C = 50

/** How fast fluid runs against how cold it is. */
export const temperatureBench = benchPage({
  id: 'temperature',
  fields: {
    spec: fluidField(),
    tempC: {
      kind: 'quantity',
      quantity: 'temperature',
      min: FROM_C,
      max: TO_C,
      initial: 5,
    },
    run: {
      kind: 'rows',
      columns: pieceColumns,
      most: 20,
      example: '3.1 3.34, 0.35 3.2',
      initial: '4.1 3.34, 0.4 3.2',
    },
    pressureKPa: {
      kind: 'quantity',
      quantity: 'pressure',
      min: 0.1,
      max: 2000,
      initial: 100,
    },
  },
  about: [flowCalc.about, viscosityCalc.about],
  startFrom: (vehicle) => {
    const longest = routedBleeders(vehicle)
      .flatMap(({ route }) => route ?? [])
      .sort((a, b) => b.lengthM - a.lengthM)[0]
    return {
      spec: vehicle.fluid.spec,
      ...(longest && {
        run: piecesText(longest.lines.flatMap(({ segments }) => segments)),
      }),
    }
  },
  work: ({ spec, tempC, run, pressureKPa }) => {
    const fluid = fluidOf(spec as FluidSpec)
    const pieces = piecesOf('run', run)
    const flowAt = (c: number) =>
      flowMlPerMin(
        [...pieces, usualBleeder.passage],
        pressureKPa,
        liquidAt({ fluid, tempC: c }),
        usualBleeder.holeMm,
      )
    const mlPerMin = flowAt(tempC)
    const curve = Array.from({ length: TO_C - FROM_C + 1 }, (_, i) => ({
      tempC: FROM_C + i,
      mlPerMin: flowAt(FROM_C + i),
    }))
    return {
      result: {
        mm2PerS: liquidAt({ fluid, tempC }).mm2PerS,
        mlPerMin,
        speed: mlPerMin / flowAt(20),
        minutesFor100Ml: 100 / mlPerMin,
        curve,
      } satisfies TemperatureResult,
      reasons: [reason('typical-viscosity', 'default', { spec }), reason('unit-not-in-run', 'practice')],
    }
  },
  says: ({ speed, mlPerMin }, { tempC }) =>
    fact('bench-temperature-says', { atC: tempC, speed: speed.toFixed(2), roomC: 20, outMlPerMin: mlPerMin }),
  change: ({ tempC }) => ({ tempC: Math.round(tempC * 10) / 10 }),
})
