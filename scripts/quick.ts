import { existsSync } from 'node:fs'

/** `bin/test --quick`: what somebody runs between two commits, while a coffee is made. The whole run has everything. */
export const quick = process.env.QUICK !== undefined

/** Sweeps over thousands of cases of chance, and whatever works many plans through on the simulated vehicle. */
export const SWEEPS = [
  'cli/run.test.ts',
  'cli/kept.test.ts',
  'core/calculators/bench.test.ts',
  'core/calculators/command/calc.test.ts',
  'core/fluid/one-judge.test.ts',
  'core/job/practice-vehicle.test.ts',
  'core/job/random-events.test.ts',
  'core/job/wire.test.ts',
  'core/ledger/ledger.test.ts',
  'core/plan/on-rig.test.ts',
  'core/plan/random-plans.test.ts',
  'core/rig/properties.test.ts',
  'core/rig/usual.test.ts',
  'core/technique/calls/interlock.test.ts',
  'server/keep/keep.server.test.ts',
  'test/crash/crash.test.ts',
  'test/house/read-vehicle.test.ts',
  'test/plan-cases/cases.test.ts',
  'test/releases/releases.test.ts',
  'test/second/calculators.test.ts',
  'test/second/pages.test.ts',
  'test/shadow/procedures.test.ts',
  'test/shadow/shadow.test.ts',
  'test/units/jobs-on-rig.test.ts',
]
/** Requests of many minutes: fifty kills, and two people over a bad wire. */
export const LONG_REQUESTS = ['test/http/kill.spec.ts', 'test/http/two-screens.spec.ts']
/** The way of a job through the program, and what stops it where it has to stop. */
export const WAY_THROUGH = [
  'e2e/cab.spec.ts',
  'e2e/calls.spec.ts',
  'e2e/connection.spec.ts',
  'e2e/hand-over.spec.ts',
  'e2e/left-behind.spec.ts',
  'e2e/new-vehicle.spec.ts',
  'e2e/people.spec.ts',
  'e2e/plan.spec.ts',
  'e2e/proof.spec.ts',
  'e2e/screens.spec.ts',
  'e2e/trace.spec.ts',
  'e2e/what-stands.spec.ts',
  'e2e/whole-job.spec.ts',
]

const gone = [...SWEEPS, ...LONG_REQUESTS, ...WAY_THROUGH].filter((file) => !existsSync(file))
if (gone.length > 0) throw new Error(`scripts/quick.ts names what is not there: ${gone.join(', ')}`)
