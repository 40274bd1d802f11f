import { readdirSync, readFileSync } from 'node:fs'
import { Ajv2020 } from 'ajv/dist/2020.js'
import formats from 'ajv-formats'
import { describe, expect, test } from 'vitest'
import { z } from 'zod'
import { Chance } from '~core/base/random'
import { calculators } from '~core/calculators/command'
import { examples as calculations } from '~core/calculators/command/examples'
import { diagnosisSchema } from '~core/diagnosis/answer'
import { diagnose } from '~core/diagnosis/diagnose'
import { diagnoseRequestSchema } from '~core/diagnosis/request'
import { replayStored } from '~core/job/apply'
import { jobEventSchema } from '~core/job/events'
import { readRecord, recordOf, recordSchema } from '~core/job/record'
import { exportLineSchema } from '~core/ledger/export-file'
import { signedEntrySchema } from '~core/ledger/logbook'
import { planSchema } from '~core/plan/answer'
import { onRigSchema, planOnRig } from '~core/plan/on-rig'
import { shopSchema, workSchema } from '~core/plan/request'
import { procedureFileSchema } from '~core/procedure/file'
import { rigAnswerSchema, runRig } from '~core/rig/answer'
import { readRigRequest, rigRequestSchema } from '~core/rig/request'
import { examples } from '~core/vehicle/examples'
import { vehicleSchema } from '~core/vehicle/schema'
import { worded } from '~core/words'
import { planCases } from '~test/plan-cases'
import { planOf, requestOf } from '~test/plan-cases/plan-of'
import { randomCase } from '~test/worlds/random-case'

/** Every public shape: what is read, what is answered, and what is kept. */
const schemas = {
  vehicle: vehicleSchema,
  procedure: procedureFileSchema,
  'plan-request': z.object({
    format: z.literal('ruddy-siphon.plan-request'),
    version: z.literal(1),
    vehicle: vehicleSchema,
    work: workSchema,
    shop: shopSchema.optional(),
  }),
  plan: planSchema.extend({ rig: onRigSchema.optional() }),
  calculations: z.object(
    Object.fromEntries(calculators.map(({ name, shapes }) => [name, z.object(shapes).partial().optional()])),
  ),
  'rig-request': rigRequestSchema,
  rig: rigAnswerSchema,
  'diagnose-request': diagnoseRequestSchema,
  diagnosis: diagnosisSchema,
  event: jobEventSchema,
  record: recordSchema,
  'export-line': exportLineSchema,
  'logbook-entry': signedEntrySchema,
} as const

const jsonSchema = (schema: z.ZodType) =>
  z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any', reused: 'ref' })

/** The published schemas are the ones the program reads and writes by; `npm run docs` writes them anew. */
test.each(Object.entries(schemas))(
  'docs/schema/%s.schema.json is what the program goes by',
  async (name, schema) => {
    await expect(`${JSON.stringify(jsonSchema(schema), null, 2)}\n`).toMatchFileSnapshot(
      `../../docs/schema/${name}.schema.json`,
    )
  },
)

describe('somebody else’s validator takes, by these schemas,', () => {
  const ajv = new Ajv2020({ strict: false })
  formats.default(ajv)
  const faults = (name: keyof typeof schemas) => {
    const validate = ajv.compile(JSON.parse(readFileSync(`docs/schema/${name}.schema.json`, 'utf8')))
    return (value: unknown) =>
      validate(JSON.parse(JSON.stringify(value)))
        ? []
        : (validate.errors ?? []).map(({ instancePath, message }) => `${instancePath} ${message}`)
  }
  const golden = readdirSync('test/golden/v1').map((name) =>
    JSON.parse(readFileSync(`test/golden/v1/${name}`, 'utf8')),
  )
  const worked = Object.values(planCases).flat()

  test('every example vehicle, and no vehicle without parts', () => {
    const check = faults('vehicle')
    for (const { file } of Object.values(examples)) expect(check(file)).toEqual([])
    expect(check({ format: 'ruddy-siphon.vehicle', version: 1 })).not.toEqual([])
  })

  test('the request and the answer of every worked plan, and no stage without its kind', () => {
    const [request, answer] = [faults('plan-request'), faults('plan')]
    for (const each of worked) {
      const asked = { format: 'ruddy-siphon.plan-request', version: 1, ...requestOf(each) }
      expect(request(asked), each.name).toEqual([])
      expect(answer(worded(planOf(each))), each.name).toEqual([])
    }
    const [first] = worked
    const plan = first && worded(planOf(first))
    expect(answer({ ...plan, stages: [{ order: [] }] })).not.toEqual([])
  })

  test('what every calculator is asked and answers, and none with a figure nobody wrote down', () => {
    const check = faults('calculations')
    for (const { name, run } of calculators) {
      const read = run(calculations[name])
      if (!read.ok) throw new Error(`the example of ${name} is not answered`)
      expect(check({ [name]: { input: calculations[name], answer: worded(read.value) } }), name).toEqual([])
      expect(check({ [name]: { answer: { ...read.value, guess: 1 } } }), name).not.toEqual([])
    }
  })

  test('a pull on the rig and its answer, and what a plan comes to there', () => {
    const [request, answer, plan] = [faults('rig-request'), faults('rig'), faults('plan')]
    const pull = {
      format: 'ruddy-siphon.rig-request',
      version: 1,
      vehicle: examples['parcel-van']?.file,
      acts: [
        { do: 'press', cylinder: 'cylinder', effortN: 200 },
        { do: 'open', bleeder: 'RR', for: 1 },
        { do: 'close', bleeder: 'RR' },
      ],
    }
    expect(request(pull)).toEqual([])
    const read = readRigRequest(pull)
    if (!read.ok) throw new Error(JSON.stringify(read.faults))
    expect(answer(runRig(read.value))).toEqual([])
    const [first] = worked
    if (!first) throw new Error('no plan is worked out')
    const made = planOf(first)
    const onRig = planOnRig(requestOf(first), made)
    expect(plan(worded({ ...made, rig: onRig }))).toEqual([])
  })

  test('questions and answers of a diagnosis, and none without a complaint', () => {
    const [request, answer] = [faults('diagnose-request'), faults('diagnosis')]
    const chance = new Chance(41)
    for (let i = 0; i < 20; i++) {
      const of = randomCase(chance)
      expect(request({ format: 'ruddy-siphon.diagnose-request', version: 1, ...of })).toEqual([])
      expect(answer(worded(diagnose(of)))).toEqual([])
    }
    expect(request({ format: 'ruddy-siphon.diagnose-request', version: 1 })).not.toEqual([])
  })

  test('every event of every old log as it reads today, and its record as it is kept today', () => {
    const [event, record] = [faults('event'), faults('record')]
    for (const log of golden) {
      for (const step of replayStored(log.events)) expect(event(step.event), step.event.id).toEqual([])
      if (log.record) expect(record(recordOf(readRecord(log.record)))).toEqual([])
    }
    expect(event({ type: 'filed' })).not.toEqual([])
  })
})
