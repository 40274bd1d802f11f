import { readdirSync, readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import type { Fact } from '~core/base/decision'
import { fluidSpecs } from '~core/fluid/specs'
import type { Plan } from '~core/plan/answer'
import { cautionCodes } from '~core/plan/cautions'
import { orderSchoolIds } from '~core/plan/order'
import { makePlan } from '~core/plan/plan'
import { shopSchema, workSchema } from '~core/plan/request'
import { methodIds } from '~core/technique/technique'
import { examples } from '~core/vehicle/examples'
import type { Vehicle } from '~core/vehicle/schema'
import { sayMetric } from '~core/words'
import { planCases } from '../plan-cases'
import { planOf } from '../plan-cases/plan-of'
import { demoNames, demoVehicle } from '../worlds/demo-vehicles'
import { vehicleFrom } from '../worlds/vehicles'

/** Vehicles whose parts bring out what the demo world alone does not. */
const special: Vehicle[] = [
  demoVehicle('post-van-lhd', (file) => ({
    ...file,
    makerOrder: ['FL'],
    assumed: ['unit'],
    makerSettings: { pressureKPa: 90, vacuumKPa: 70 },
  })),
  demoVehicle('post-van-lhd', (file) => ({
    ...file,
    fluid: { spec: 'DOT 5' },
    parts: (file.parts as { id: string }[]).map((part) =>
      part.id === 'unit' ? { ...part, role: 'brake-by-wire', bleeders: [{ id: 'unit bleeder' }] } : part,
    ),
  })),
  demoVehicle('post-van-lhd', (file) => ({
    ...file,
    parts: (file.parts as object[]).map((part) => ({ ...part, bleeders: [] })),
  })),
  demoVehicle('post-van-lhd', (file) => ({
    ...file,
    parts: [
      ...(file.parts as object[]),
      { id: 'pump', type: 'pump', fedBy: 'reservoir' },
      {
        id: 'fed',
        type: 'wheel-brake',
        position: 'rear',
        brake: 'disc',
        pistons: [],
        bleeders: [{ id: 'by pump' }],
      },
    ],
    lines: [
      ...(file.lines as object[]),
      { from: 'pump', to: 'fed', circuit: 'pump', segments: [{ lengthM: 1, boreMm: 3.34 }] },
    ],
  })),
]

const levels = (vehicle: Vehicle, ml: number) =>
  Object.fromEntries(vehicle.parts.flatMap(({ id, type }) => (type === 'reservoir' ? [[id, ml]] : [])))

function* everyPlan(): Generator<Plan> {
  const readings = [
    undefined,
    ...(
      [
        ['water-pct', 1],
        ['water-pct', 2.5],
        ['water-pct', 4],
        ['boiling-c', 140],
        ['boiling-c', 160],
        ['boiling-c', 200],
        ['boiling-c', 240],
        ['copper-ppm', 10],
        ['copper-ppm', 150],
        ['copper-ppm', 400],
        ['megohm', 1],
        ['megohm', 50],
      ] as const
    ).map(([kind, value]) => ({ kind, value, at: 'reservoir' })),
  ]
  const shops = [
    [],
    ['two-person'],
    ['vacuum'],
    ['gravity'],
    ['pressure', 'vacuum', 'bench'],
    [...methodIds],
  ].flatMap((methods) =>
    orderSchoolIds.map((orderSchool) => ({
      methods,
      orderSchool,
      tempC: orderSchool === 'nearest-first' ? 0 : 20,
      scopeSchool: orderSchool === 'nearest-first' ? 'whole' : 'local',
    })),
  )
  for (const vehicle of [...demoNames.map((name) => demoVehicle(name)), ...special]) {
    const touched = vehicle.parts.flatMap(({ id }) => [{ opened: [id] }, { replaced: [id] }])
    const works = [
      { reason: 'service' },
      { reason: 'soft-pedal' },
      ...[1, 50].map((ml) => ({ reason: 'soft-pedal', levelMl: levels(vehicle, ml) })),
      { reason: 'repair', ranDry: true },
      { reason: 'repair', systemEmpty: true },
      ...touched.map((each) => ({ reason: 'repair', ...each })),
      { reason: 'repair', opened: [vehicle.lines[0]?.id] },
      ...readings.map((reading) => ({ reason: 'repair', opened: [vehicle.parts.at(-1)?.id], reading })),
      ...[...fluidSpecs, 'unknown'].flatMap((fluidFound) =>
        ['service', 'conversion'].map((reason) => ({ reason, fluidFound })),
      ),
    ]
    for (const work of works)
      for (const shop of shops)
        yield makePlan({ vehicle, work: workSchema.parse(work), shop: shopSchema.parse(shop) })
  }
}

/** The usual order turned round by hand: whatever can be warned of is. */
function* turnedRound(): Generator<Plan> {
  for (const vehicle of Object.values(examples).map(({ file }) => vehicleFrom(file)))
    for (const reason of ['service', 'conversion'] as const) {
      const request = {
        vehicle,
        work: workSchema.parse({ reason }),
        shop: shopSchema.parse({ methods: ['two-person'] }),
      }
      const bleeders = [...(makePlan(request).order?.bleeders ?? [])].reverse()
      if (bleeders.length > 0)
        yield makePlan({ ...request, work: { ...request.work, order: { bleeders, why: 'trying it out' } } })
    }
}

const first = new Map<string, Map<string, string>>([
  ['Stops', new Map()],
  ['Reasons', new Map()],
  ['Methods not taken', new Map()],
  ['Cautions', new Map(cautionCodes.map((code) => [code, sayMetric({ code })]))],
])
const note = (group: string, notices: readonly Fact[]) => {
  for (const notice of notices)
    if (!first.get(group)?.has(notice.code)) first.get(group)?.set(notice.code, sayMetric(notice))
}
const worked = Object.values(planCases).flatMap((cases) => cases.map(planOf))
for (const plan of [...everyPlan(), ...worked]) {
  note('Stops', plan.stops)
  note('Reasons', plan.reasons)
  note('Methods not taken', plan.methodsRejected)
  for (const { notTaken } of plan.ways) note('Methods not taken', notTaken)
}

for (const plan of turnedRound()) {
  note('Reasons', plan.reasons)
  note('Cautions', plan.cautions)
}

/** Codes as they stand in the source, where they are written out. */
const written = ['plan', 'plan/scope', 'plan/order', 'technique'].flatMap((folder) =>
  readdirSync(`core/${folder}`)
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
    .flatMap((name) =>
      [
        ...readFileSync(`core/${folder}/${name}`, 'utf8').matchAll(
          /(?:\breason\(|\bstops\.push\(fact\(|\bsay\()\s*'([a-z-]+)'/g,
        ),
      ].map((match) => match[1] ?? ''),
    ),
)

test('docs/codes.md lists every code a plan can carry, with what it says', async () => {
  const listed = new Set([...first.values()].flatMap((codes) => [...codes.keys()]))
  expect(written.filter((code) => !listed.has(code))).toEqual([])
  for (const code of listed) expect(code).toMatch(/^[a-z0-9]+(-[a-z0-9]+)*$/)
  const sections = [...first].map(([group, codes]) => {
    const rows = [...codes]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([code, text]) => `| \`${code}\` | ${text} |`)
    return [`## ${group}`, '', '| code | says, for example |', '|---|---|', ...rows, ''].join('\n')
  })
  await expect(
    `# Codes of a plan\n\nMade by the tests. A code is stable; its sentence may change.\n\n${sections.join('\n')}`,
  ).toMatchFileSnapshot('../../docs/codes.md')
})

test('every plan of all these adds up, ends with the proof, and opens each bleeder it counts', () => {
  for (const { verdict, stages, fluid } of everyPlan()) {
    if (verdict === 'stop') continue
    const bled = new Set(stages.flatMap(({ order }) => order))
    for (const id of Object.keys(fluid.perBleederMl)) expect(bled.has(id)).toBe(true)
    const losses = stages
      .filter(({ kind }) => kind === 'bench-bleed' || kind === 'port-bleed')
      .reduce((sum, { ml }) => sum + ml, 0)
    const cycled = stages
      .filter(({ kind, reasons }) => kind === 'control-unit' || reasons.includes('base-bleed-again'))
      .reduce((sum, { ml }) => sum + ml, 0)
    const byUnit = stages
      .filter(({ kind }) => kind === 'control-unit')
      .flatMap(({ mlByBleeder }) => Object.values(mlByBleeder ?? {}))
      .reduce((sum, ml) => sum + ml, 0)
    const counted = Object.values(fluid.perBleederMl).reduce(
      (sum, ml) => sum + ml,
      fluid.reservoirMl + losses + cycled - byUnit + (fluid.keptMl ?? 0),
    )
    expect(fluid.totalMl).toBeCloseTo(counted, 6)
    expect(stages.at(-1)?.kind).toBe('prove')
    for (const { minutes, fluidMinutes, handlingMinutes } of stages)
      expect(minutes).toBeCloseTo(fluidMinutes + handlingMinutes, 9)
  }
})
