import { expect, test } from 'vitest'
import { examples } from '~core/vehicle/examples'
import { sayMetric } from '~core/words'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'
import { unitLines } from './unit-lines'

test('a record tells what was fitted, by whom, and what the unit said before and after', () => {
  const van = vehicleFrom(structuredClone(examples['parcel-van']?.file))
  const job = ScriptedJob.planned(
    van,
    { reason: 'repair', replaced: ['unit'] },
    ['two-person', 'control-unit'],
    300,
  )
  expect(unitLines(job.state, sayMetric)).toEqual([])
  const codes = [{ code: 'C214', says: 'Pump supply', is: 'present' as const }]
  job.do({ type: 'unit-read', unit: 'unit', when: 'before', reading: { from: 'aloud', codes } })
  const fitted = {
    oldNumber: 'CU 1',
    newNumber: 'CU 2',
    origin: 'used',
    faces: 'clean',
    makersWord: '2 replaces 1',
  } as const
  job.do({ type: 'unit-fitted', unit: 'unit', fitted })
  expect(unitLines(job.state, sayMetric)).toEqual([
    'ESC unit: CU 2 fitted for CU 1, used, plug faces clean; the maker: 2 replaces 1 (Una Brack)',
    'ESC unit read as it came in: C214 Pump supply (present) (Una Brack)',
  ])
})

test('it tells what a routine brought beside what was reckoned, and all that was read after the drive', () => {
  const van = vehicleFrom(structuredClone(examples['electric-post-van']?.file))
  const job = ScriptedJob.planned(
    van,
    { reason: 'repair', replaced: ['unit'] },
    ['two-person', 'control-unit'],
    300,
  )
  job.bledToTheEnd().proved().wait(60)
  const reading = { from: 'tool', codes: [], lamp: 'out', pedalMm: 61, number: 'CU 70-114' } as const
  job.do({ type: 'unit-read', unit: 'unit', when: 'driven', reading: { ...reading, codes: [] } })
  const lines = unitLines(job.state, sayMetric)
  expect(lines.at(-1)).toMatch(/^Its routine brought \d+ mL; reckoned were \d+ mL$/)
  expect(lines.find((line) => line.includes('after the drive'))).toContain(
    'no codes, says that it is CU 70-114, pedal 61 mm down, lamp out',
  )
})
