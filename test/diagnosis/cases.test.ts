import { describe, expect, test } from 'vitest'
import { diagnose } from '~core/diagnosis/diagnose'
import { type Case, readDiagnoseRequest } from '~core/diagnosis/request'
import { examples } from '~core/vehicle/examples'
import { diagnosisCases } from './cases'

const look = (step: string) => {
  const [check = '', result = ''] = step.split('=')
  return { check, result }
}

describe.each(diagnosisCases.map((each) => [each.name, each] as const))('%s', (_, worked) => {
  test('step by step', () => {
    const read = readDiagnoseRequest({
      format: 'ruddy-siphon.diagnose-request',
      version: 1,
      ...(worked.vehicle && { vehicle: examples[worked.vehicle]?.file }),
      complaint: worked.complaint,
      history: worked.history,
      found: (worked.found ?? []).map(look),
    })
    if (!read.ok) throw new Error(JSON.stringify(read.faults))
    let of: Case = read.value
    for (const step of worked.steps) {
      const { check, result } = look(step)
      expect(
        check.split('|'),
        JSON.stringify(of.found.map((each) => `${each.check}=${each.result}`)),
      ).toContain(diagnose(of).next[0]?.id)
      if (result !== '') of = { ...of, found: [...of.found, { check, result }] }
    }
    if (worked.ends) expect(diagnose(of).causes[0]?.id).toBe(worked.ends)
  })
})
