import { describe, expect, test } from 'vitest'
import { procedureFaults } from './check'
import { procedureFile, readProcedureFile } from './file'
import { readyProcedure } from './ready'
import { type Procedure, procedureSchema } from './schema'

const bleeders = new Set(['RR', 'RL'])
const made = (...steps: object[]): Procedure => procedureSchema.parse({ name: 'Service bleed', steps })
const pathsOf = (procedure: Procedure, routine = 'maker-led') =>
  procedureFaults(procedure, { routine, bleeders }).map(({ path }) => path)

describe('what a procedure may not say', () => {
  test.each<[string, object[], string[], string?]>([
    ['a foot let go of that never pressed', [{ who: 'cab', foot: 'release' }], ['steps.0.foot']],
    ['a foot that is never let go of', [{ who: 'cab', foot: 'hold' }], ['steps.0.foot']],
    [
      'a bleeder opened under a held foot',
      [
        { who: 'cab', foot: 'hold' },
        { who: 'wheel', bleed: 'RR' },
        { who: 'cab', foot: 'release' },
      ],
      ['steps.1.bleed'],
    ],
    ['a bleeder that is not there', [{ who: 'wheel', bleed: 'FL' }], ['steps.0.bleed']],
    ['any bleeder in a cycle', [{ who: 'wheel', bleed: 'RR' }], ['steps.0.bleed'], 'cycle'],
    [
      'a foot that bleeds wheel by wheel',
      [{ who: 'wheel', bleed: 'RR', by: 'foot' }],
      ['steps.0.by'],
      'wheel-by-wheel',
    ],
    ['a sensor that never comes back', [{ who: 'tool', unplugs: 'level-sensor' }], ['steps.0.unplugs']],
    [
      'one plugged back that was not out',
      [{ who: 'tool', plugsBack: 'level-sensor' }],
      ['steps.0.plugsBack'],
    ],
    [
      'something unplugged and plugged back in one step',
      [{ who: 'tool', does: 'Go on.', unplugs: 'level-sensor', plugsBack: 'level-sensor' }],
      ['steps.0.plugsBack'],
    ],
    ['a bottle that stays on', [{ who: 'wheel', bottle: 'on' }], ['steps.0.bottle']],
    ['a foot that is not in the cab', [{ who: 'tool', foot: 'pump' }], ['steps.0.who']],
    [
      'a fill that waits for itself',
      [{ who: 'wheel', fillsToMax: true, awaits: 'level-at-max' }],
      ['steps.0.fillsToMax'],
    ],
    ['a foot that pumps by wire', [{ who: 'wheel', bleed: 'RR', by: 'unit-pumped' }], ['steps.0.by']],
    [
      'a foot at one wheel and none at the next',
      [
        { who: 'wheel', bleed: 'RR', by: 'unit-pumped' },
        { who: 'wheel', bleed: 'RL', by: 'unit' },
      ],
      ['steps.1.by'],
      'wheel-by-wheel',
    ],
    ['nothing', [{ who: 'tool', awaits: 'tool-says' }], ['steps.0.does']],
    [
      'a wait longer than it may be',
      [{ who: 'tool', does: 'Wait.', leastS: 60, mostS: 30 }],
      ['steps.0.mostS'],
    ],
    ['any of it for a unit that offers nothing', [{ who: 'tool', does: 'Start.' }], ['steps'], 'none'],
  ])('%s', (_, steps, paths, routine) => {
    expect(pathsOf(made(...steps), routine)).toEqual(paths)
  })
})

test('every ready procedure keeps these rules, and says that it is an example', () => {
  const fed = { 'by-pump': ['RR'], 'by-foot': ['RL'], simulators: [] }
  for (const way of ['cycle', 'wheel-by-wheel', 'wheel-by-wheel-pumped', 'maker-led'] as const) {
    const ready = readyProcedure(way, fed)
    expect(pathsOf(ready, way === 'wheel-by-wheel-pumped' ? 'wheel-by-wheel' : way), way).toEqual([])
    expect(ready.example).toBe(true)
  }
})

describe('from one vehicle to the next of its kind', () => {
  const from = {
    routine: 'maker-led' as const,
    placeOf: new Map([
      ['RR', 'rear-right'],
      ['RL', 'rear-left'],
    ]),
  }
  const procedure = made({ who: 'wheel', bleed: 'RR', by: 'unit' })
  const file = procedureFile(procedure, from)

  test('bleeders are found by where they sit, whatever they are called there', () => {
    const to = {
      routine: 'maker-led' as const,
      placeOf: new Map([
        ['RR', 'rear-left'],
        ['HR', 'rear-right'],
      ]),
    }
    const read = readProcedureFile(file, to)
    expect(read.ok && read.value.steps[0]?.bleed).toBe('HR')
  })

  test('it comes back as it went', () => {
    expect(readProcedureFile(JSON.parse(JSON.stringify(file)), from)).toEqual({ ok: true, value: procedure })
  })

  test('a routine that the unit does not offer, and a place that is not there, are refused by path', () => {
    const other = readProcedureFile(file, { routine: 'cycle', placeOf: new Map([['F', 'front']]) })
    expect(other.ok ? [] : other.faults.map(({ path }) => path)).toEqual([
      'routine',
      'procedure.steps.0.bleed',
    ])
  })
})
