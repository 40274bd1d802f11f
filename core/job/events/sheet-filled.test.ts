import { describe, expect, test } from 'vitest'
import { recordDocument } from '~/record/document'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { repairSheetOf } from '../../repair-sheets'
import { begunWith, workOf } from '../../repair-sheets/begin'
import type { RepairSheet } from '../../repair-sheets/sheet'
import { writtenInto } from '../../repair-sheets/write'
import { metricUnits } from '../../units/units'
import { sayMetric } from '../../words'

const file = carFile(fourCorners)
const vehicle = vehicleFrom({
  ...file,
  lines: file.lines.map((line) => ({
    ...line,
    segments: [
      { lengthM: 3, boreMm: 3.34, kind: 'tube' },
      { lengthM: 0.4, boreMm: 3.2, kind: 'hose' },
    ],
  })),
})
const planned = () =>
  ScriptedJob.planned(vehicle, { reason: 'repair', replaced: ['mc'] }, ['two-person'], 300)
const pitted = {
  type: 'sheet-filled' as const,
  sheet: 'brake',
  place: 'brake-fl',
  filled: { piston: 'pitted' },
  fills: 0,
}
const prices = { labourPerHour: 60, parts: {} }
const named = (id: string) => repairSheetOf(id) as RepairSheet

describe('a sheet', () => {
  test('is kept with what it came to; half of one is kept without', () => {
    const job = planned()
    job.do(pitted).do({ ...pitted, place: 'brake-fr', filled: { piston: 'bright' } })
    expect(job.state.sheets?.['brake brake-fl']).toMatchObject({ fills: 1, verdict: { value: 'renew' } })
    expect(job.state.sheets?.['brake brake-fr']?.verdict).toBeUndefined()
    expect(job.replayed().sheets).toEqual(job.state.sheets)
  })
  test('says what it came to by the core, whatever the page sent', () => {
    const verdict = { value: 'keep', reasons: [], figures: [], buy: [], still: [] }
    const job = planned().do({ ...pitted, verdict })
    expect(job.state.sheets?.['brake brake-fl']?.verdict?.value).toBe('renew')
  })
  test('of two screens, of a part that is not there, with figures that cannot be: refused', () => {
    const job = planned().do(pitted)
    expect(job.refusal(pitted)).toBe('sheet-meanwhile')
    expect(job.refusal({ ...pitted, place: 'brake-xx' })).toBe('sheet-not-so')
    expect(job.refusal({ ...pitted, place: 'brake-fr', filled: { hat: 3 } })).toBe('sheet-not-so')
    const backwards = { rust: 'pitted', 'rust-from': 2, 'rust-to': 1, clear: 0.05 }
    expect(job.refusal({ ...pitted, sheet: 'line', place: 'line-fl', filled: backwards })).toBe(
      'sheet-cannot-be',
    )
  })
  test('reckons with the wear that was measured on this job, not with the file’s', () => {
    const keep = {
      piston: 'bright',
      groove: 'clean',
      boot: 'whole',
      slides: 'free',
      bleeder: 'turns',
      touched: 'brake-fluid-only',
    }
    const takesMl = (padWearMm: Record<string, number>) =>
      ScriptedJob.planned(vehicle, { reason: 'service', padWearMm }, ['two-person'], 300).do({
        ...pitted,
        filled: keep,
      }).state.sheets?.['brake brake-fl']?.verdict?.figures[0]?.params?.takesMl
    // 50 mm by 10 mm against none is 19.6 mL. @source geometry
    expect(Number(takesMl({ 'brake-fl': 10 })) - Number(takesMl({ 'brake-fl': 0 }))).toBeCloseTo(19.6, 1)
  })
  test('begins with what the search for the fault has seen of that part, and of no other', () => {
    const found = [{ check: 'hose-wire', result: 'stops', at: 'line-fl' }]
    expect(begunWith(named('hose'), vehicle, 'line-fl', { prices, found }).wire).toBe('stops')
    expect(begunWith(named('hose'), vehicle, 'line-fr', { prices, found }).wire).toBeUndefined()
  })
  test('hands both hoses of the axle to the plan where both are renewed', () => {
    expect(workOf(named('hose'), { value: 'renew-pair' }, vehicle, 'line-fl').replaced).toEqual([
      'line-fl',
      'line-fr',
    ])
    expect(workOf(named('hose'), { value: 'keep' }, vehicle, 'line-fl')).toEqual({ opened: [], replaced: [] })
  })
})

describe('the new length of a line', () => {
  const filled = {
    'rust-from': 1,
    'rust-to': 1.5,
    clear: 0.05,
    couplers: 'allowed',
    routed: 0.9,
    outer: 4.76,
    flare: 'double',
    nuts: 'turn',
  }
  const of = { sheet: named('line'), filled, at: 'line-fl' }
  test('is written once: a second time it is there already, over another line it is not written at all', () => {
    const first = writtenInto(vehicle, of, vehicle)
    expect(
      first.ok && first.vehicle.lines[0]?.segments.map(({ lengthM }) => Math.round(100 * lengthM)),
    ).toEqual([95, 90, 145, 40])
    expect(first.ok && writtenInto(first.vehicle, of, vehicle)).toMatchObject({
      refusal: { code: 'sheet-written-already' },
    })
    const [line, ...others] = vehicle.lines
    const other = {
      ...vehicle,
      lines: [{ ...line, segments: line?.segments.slice(1) ?? [] }, ...others] as typeof vehicle.lines,
    }
    expect(writtenInto(other, of, vehicle)).toMatchObject({ refusal: { code: 'sheet-vehicle-changed' } })
  })
})

describe('a line of an estimate', () => {
  const declined = {
    type: 'line-declined' as const,
    line: 'new-hose as-said hose',
    says: { code: 'spare-hose' },
    note: 'next month',
  }
  test('is declined with what was said, and wanted after all; the record says so', () => {
    const job = planned()
    expect(job.refusal({ ...declined, note: ' ' })).toBe('declined-note-missing')
    expect(job.refusal({ ...declined, wanted: true })).toBe('line-not-declined')
    job.do(declined)
    const reader = { say: sayMetric, units: metricUnits, poured: [], money: '' }
    const { lists, certificate } = recordDocument(job.state, reader)
    expect(lists).toContainEqual({ title: 'Declined by the customer', lines: ['hose: next month'] })
    expect(certificate.done).toContain('Advised and declined: hose: next month')
    job.do({ ...declined, wanted: true, note: '' })
    expect(job.state.declinedLines).toEqual([])
  })
})
