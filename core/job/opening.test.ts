import { expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { opensFurther } from './opening'

const openBy = (method: string, lengthM: number) =>
  ScriptedJob.planned(
    vehicleFrom(carFile(fourCorners.map((corner) => ({ ...corner, lengthM })))),
    { reason: 'service' },
    [method],
    380,
  ).until(({ run }) => run.call === 'open')
const gain = (method: string, lengthM: number) => {
  const job = openBy(method, lengthM)
  return opensFurther({ ...job.state, run: job.run })?.morePct
}

test('two turns hurry a short line under pressure, where the bleeder is the narrowest place, and hardly a long one', () => {
  const [short = 0, long = 0] = [gain('pressure', 0.4), gain('pressure', 12)]
  expect(short).toBeGreaterThan(20)
  expect(long).toBeLessThan(10)
  expect(long).toBeGreaterThanOrEqual(0)
})

test('with a foot behind it nobody knows', () => {
  expect(gain('two-person', 2)).toBeUndefined()
})
