import { describe, expect, test } from 'vitest'
import { fromAddress, toAddress } from '~/lib/fault-address'
import { sharesOf } from '~core/diagnosis/shares'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { faultCase, goesOn } from '../fault-case'
import { checksFor, shownByProofs } from '../proofs/checks'

const looked = {
  type: 'fault-looked' as const,
  complaint: 'soft-pedal' as const,
  found: [{ check: 'wet-places', result: 'wheel', at: 'brake-rr' }],
  tried: ['air-lines'],
  answers: 0,
}
const planned = () =>
  ScriptedJob.planned(
    vehicleFrom(carFile(fourCorners)),
    { reason: 'repair', replaced: ['mc'] },
    ['two-person'],
    300,
  )

test('what was found stands with the job, and what was done on the job counts as done before', () => {
  const job = planned()
  job.do(looked)
  expect(job.state.faultFinding).toEqual({
    complaint: 'soft-pedal',
    found: looked.found,
    tried: looked.tried,
    answers: 1,
  })
  const of = faultCase(job.state, looked)
  expect(of).toMatchObject({ found: looked.found, history: { replaced: ['mc'], bledSince: false } })
  expect(sharesOf(of)[0]).toMatchObject({ id: 'outside-leak', at: 'brake-rr' })
  job.bledToTheEnd()
  expect(faultCase(job.state, looked).history).toMatchObject({ bledSince: true, fullyBled: true })
})

test('of two screens, the answer of the one that did not see the other’s is refused', () => {
  const job = planned()
  job.do(looked)
  expect(job.refusal({ ...looked, tried: [] })).toBe('fault-meanwhile')
  job.do({ ...looked, tried: [], answers: 1 })
  expect(job.state.faultFinding).toMatchObject({ tried: [], answers: 2 })
})

test('what the job it came back from has opened and bled counts too; ids of another vehicle do not', () => {
  const earlier = planned().bledToTheEnd().state
  const back = ScriptedJob.planned(
    vehicleFrom(carFile(fourCorners)),
    { reason: 'soft-pedal' },
    ['two-person'],
    300,
  )
  expect(faultCase(back.state, looked, earlier).history).toMatchObject({
    replaced: ['mc'],
    bledSince: true,
    fullyBled: true,
  })
  const other = {
    ...earlier,
    checkIn: earlier.checkIn && {
      ...earlier.checkIn,
      work: { ...earlier.checkIn.work, replaced: ['elsewhere'] },
    },
  }
  expect(faultCase(back.state, looked, other).history.replaced).toEqual([])
})

test.each([
  [{ found: [{ check: 'wet-places', result: 'wheel', at: 'nowhere' }] }],
  [{ found: [{ check: 'level', result: 'purple' }] }],
  [{ found: [{ check: 'horoscope', result: 'good' }] }],
  [{ tried: ['prayer'] }],
  [{ was: 'the weather' }],
  [{ complaint: 'no-clutch' as const }],
])('%j is refused, and nothing of it stands', (wrong) => {
  const job = planned()
  expect(() => job.do({ ...looked, ...wrong })).toThrow()
  expect(job.state.faultFinding).toBeUndefined()
})

test('an address bears all of it and gives it back, also where a place has dots in its name', () => {
  const finding = {
    ...looked,
    found: [{ check: 'flow', result: 'weak-one', at: 'unit to brake.rr (A)' }],
    was: 'hose-closed',
  }
  const { type: _type, answers: _answers, ...borne } = finding
  expect(fromAddress(new URLSearchParams(toAddress(borne).toString()))).toEqual(borne)
  expect(fromAddress(new URLSearchParams('complaint=itches'))).toBeUndefined()
})

describe('proofs and the search', () => {
  const bled = () => planned().bledToTheEnd()
  test('what a proof has shown is an answer already, with what was measured, and it fits an address', () => {
    const job = bled()
      .proved('hold-firm')
      .do({ type: 'check-proved', check: 'hold-firm', passed: true, value: 6, heldS: 30, note: '' })
    const found = shownByProofs(job.state)
    expect(found).toContainEqual({ check: 'hold-firm', result: 'sinks', travelMm: 6 })
    expect(found).toContainEqual({ check: 'pump-up', result: 'same', travelMm: 0 })
    const finding = { complaint: 'sinking-pedal' as const, found, tried: [] }
    expect(fromAddress(toAddress(finding))).toEqual(finding)
  })
  test('a search goes on with a look made again, and with what it was not', () => {
    const before = {
      complaint: 'sinking-pedal' as const,
      found: [
        { check: 'hold-firm', result: 'holds' },
        { check: 'level', result: 'full' },
      ],
      tried: [],
      was: 'air-lines',
    }
    const now = {
      complaint: 'sinking-pedal' as const,
      found: [{ check: 'hold-firm', result: 'sinks' }],
      tried: [],
    }
    expect(goesOn(before, now)).toEqual({
      complaint: 'sinking-pedal',
      found: [
        { check: 'level', result: 'full' },
        { check: 'hold-firm', result: 'sinks' },
      ],
      tried: ['air-lines'],
    })
    expect(goesOn({ ...before, complaint: 'drag-all' }, now)).toEqual(now)
  })
  test('a look that found something is made again before it leaves, and one that found nothing is not', () => {
    const job = planned().do({
      ...looked,
      found: [
        { check: 'flow', result: 'weak-one' },
        { check: 'pushrod', result: 'clear' },
      ],
    })
    const asked = checksFor(job.state).map(({ id }) => id)
    expect(asked).toContain('again-flow')
    expect(asked).not.toContain('again-pushrod')
    expect(asked).not.toContain('again-heat')
  })
})
