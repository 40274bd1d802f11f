import { vehicleFrom } from '~test/worlds/vehicles'
import vanFile from '../demo/vehicles/post-van-lhd.json'
import { DemoServer } from '../test/http/server'
import { benchCab } from './bench/cab'
import { benchCommand } from './bench/command'
import { benchDiagnosis } from './bench/diagnosis'
import { benchDue } from './bench/due'
import { benchKept } from './bench/kept'
import { benchAppend, benchReducer, benchWire } from './bench/log'
import { benchMap } from './bench/map'
import { benchPage, benchScript, benchStart } from './bench/pages'
import { benchPhysics } from './bench/physics'
import { benchPlan } from './bench/plan'
import { benchRig } from './bench/rig'
import { benchWhatIf } from './bench/what-if'

await benchReducer()
benchWire()
await benchPlan()
await benchDiagnosis()
await benchMap()
await benchPhysics()
await benchRig(vehicleFrom(vanFile), { cylinder: 'cylinder', bleeder: 'FL' })
await benchAppend()
await benchKept()
await benchCommand()
await benchDue()
await benchCab()
const server = await DemoServer.start()
try {
  await benchPage(server)
  await benchScript(server)
  await benchWhatIf(server)
  await benchStart(server)
} finally {
  await server.end()
}
