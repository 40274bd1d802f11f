import { expect, test } from 'vitest'
import { fittedFrom, spannerField } from './fitted-form'

function formOf(values: Record<string, string>): FormData {
  const form = new FormData()
  for (const [name, value] of Object.entries(values)) form.set(name, value)
  return form
}

test('only what was given is learned, with point or comma', () => {
  const form = formOf({ [spannerField('RR')]: '9,5', [spannerField('RL')]: '', capAdapter: ' three-lug ' })
  expect(fittedFrom(form, ['RR', 'RL'])).toEqual({
    ok: true,
    fitted: { spannersMm: { RR: 9.5 }, capAdapter: 'three-lug', benchThread: undefined },
  })
  expect(fittedFrom(formOf({}), ['RR'])).toEqual({ ok: true, fitted: undefined })
})

test('a spanner that is no size is named', () => {
  for (const typed of ['nine', '0', '900']) {
    const read = fittedFrom(formOf({ [spannerField('RR')]: typed }), ['RR'])
    expect(read.ok ? '' : read.fault).toContain('spanner of RR')
  }
})

test('what was found out at the tool is learned with its minutes, and no time that nothing takes', () => {
  const typed = { scanTool: 'TT-4', toolMenu: 'Brakes, Service, Bleed', misled: 'NEXT means stop' }
  expect(fittedFrom(formOf({ ...typed, routineMin: '13,6' }), [])).toMatchObject({
    fitted: { ...typed, routineMin: 14 },
  })
  for (const routineMin of ['a while', '0', '-3', '1e9'])
    expect(fittedFrom(formOf({ routineMin }), []), routineMin).toMatchObject({ ok: false })
})
