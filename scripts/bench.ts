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

/** With one server of the demo for all of them, which the last one starts again. */
async function pages() {
  const server = await DemoServer.start()
  try {
    await benchPage(server)
    await benchScript(server)
    await benchWhatIf(server)
    await benchStart(server)
  } finally {
    await server.end()
  }
}

const parts: Record<string, () => unknown> = {
  reducer: benchReducer,
  wire: benchWire,
  plan: benchPlan,
  diagnosis: benchDiagnosis,
  map: benchMap,
  physics: benchPhysics,
  rig: () => benchRig(vehicleFrom(vanFile), { cylinder: 'cylinder', bleeder: 'FL' }),
  append: benchAppend,
  kept: benchKept,
  command: benchCommand,
  due: benchDue,
  cab: benchCab,
  pages,
}

const asked = process.argv.slice(2)
const unknown = asked.filter((name) => !(name in parts))
if (unknown.length > 0)
  throw new Error(
    `no part of the bench is named ${unknown.join(', ')}: there are ${Object.keys(parts).join(', ')}`,
  )
for (const [name, run] of Object.entries(parts)) if (asked.length === 0 || asked.includes(name)) await run()
