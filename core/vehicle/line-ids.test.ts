import { expect, test } from 'vitest'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { withLineIds } from './line-ids'
import { vehicleSchema } from './schema'

const without = (lines: { id?: string }[]) => lines.map(({ id: _id, ...line }) => line)

test('lines without an id are called by where they go, two between the same parts apart, none like anything else', () => {
  const file = carFile(fourCorners)
  const [first] = file.lines
  const named = withLineIds(vehicleFrom({ ...file, lines: without(file.lines) }))
  expect(named.lines.map(({ id }) => id)).toContain('mc-A to brake-fl (A)')
  const twice = withLineIds({
    ...named,
    lines: without([first, first].flatMap((line) => line ?? [])) as never,
  })
  expect(twice.lines.map(({ id }) => id)).toEqual(['mc-A to brake-fl (A)', 'mc-A to brake-fl (A) 2'])
})

test('with every name as long as it may be, what comes of it is a vehicle file still', () => {
  const long = (name: string) => name.padEnd(60, 'x')
  const file = carFile(fourCorners)
  const text = JSON.stringify({ ...file, lines: without(file.lines) })
    .replaceAll(/"(brake-\w+|mc-[AB])"/g, (_, name) => `"${long(name)}"`)
    .replaceAll(/"circuit":"(\w)"/g, (_, name) => `"circuit":"${long(name)}"`)
  const named = withLineIds(vehicleFrom(JSON.parse(text)))
  expect(vehicleSchema.safeParse(named).success).toBe(true)
  expect(new Set(named.lines.map(({ id }) => id)).size).toBe(4)
})
