import { routineMinutes } from '~core/job/learned/routine-minutes'
import type { JobState } from '~core/job/state'
import { workedUnits } from '~core/job/unit-ledger'
import { allBleeders, partsOf } from '~core/vehicle/parts'
import type { Queries } from '~server/db/database.server'
import { learnedOf } from '~server/services/learned.server'
import { jobSteps } from '~server/store/jobs.server'

/** What is known to fit already, from earlier jobs before the file: the fields begin with it. */
export async function knownToFit(db: Queries, jobId: string, state: JobState) {
  const { vehicle, vehicleId, run } = state
  const learned = await learnedOf(db, vehicleId)
  const words = (kind: string) => learned.find((each) => each.kind === kind)?.what
  const worked = new Set(run?.stages.flatMap(({ stage }) => stage.order))
  const [reservoir] = partsOf(vehicle, 'reservoir')
  const [cylinder] = partsOf(vehicle, 'master-cylinder')
  const units = workedUnits(state)
  return {
    bleeders: allBleeders(vehicle)
      .filter(({ bleeder }) => worked.has(bleeder.id))
      .map(({ bleeder }) => ({
        id: bleeder.id,
        known:
          learned.find((each) => each.kind === 'spanner' && each.bleeder === bleeder.id)?.value ??
          bleeder.wrenchMm,
      })),
    capAdapter: words('adapter') ?? reservoir?.capAdapter ?? '',
    benchThread: words('bench-thread') ?? cylinder?.benchThread ?? '',
    ...(units.length > 0 && {
      atUnit: {
        scanTool: words('scan-tool') ?? '',
        toolMenu: words('tool-menu') ?? units.find(({ procedure }) => procedure?.menu)?.procedure?.menu ?? '',
        misled: words('tool-misled') ?? '',
        routineMin: String(routineMinutes(await jobSteps(db, jobId)) ?? ''),
      },
    }),
  }
}
