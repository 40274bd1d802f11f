import { expect, test } from 'vitest'
import { sayMetric } from '~core/words'
import { carriedFromBench } from './from-bench'

const carried = (...bench: string[]) =>
  carriedFromBench(new URLSearchParams(bench.map((each) => ['bench', each])))

test('what is carried is worked out again from its inputs, as a fact with the way back to them', () => {
  const [temperature] = carried('temperature?tempC=41 °F&pressureKPa=15 psi')
  expect(temperature).toMatchObject({
    page: 'temperature',
    address: expect.stringMatching(/^\/bench\/temperature\?tempC=41/),
  })
  expect(temperature && sayMetric(temperature.says)).toContain('At 5 °C it runs at 0.5')
})

test('a page there is not, inputs that give nothing and addresses without end carry nothing', () => {
  expect(
    carried(
      'nothing?a=b',
      '',
      '?',
      'boiling?waterPct=wet',
      `boiling?note=${'ü'.repeat(1500)}`,
      `boiling?note=${'x'.repeat(3000)}`,
    ),
  ).toEqual([])
})

test('no more than five are worked out, however many are asked for', () => {
  expect(carried(...Array.from({ length: 40 }, () => 'sheet?'))).toHaveLength(5)
})
