import { expect, test } from 'vitest'
import { Chance } from '~core/base/random'
import { complaintIds } from '~core/diagnosis/complaints'
import { hide } from './hidden'
import { advised, checklist, likeliestFirst, work } from './study'

test('study', () => {
  const n = Number(process.env.N ?? 60)
  const ask = complaintIds.filter((c) => c !== 'no-clutch')
  for (const [name, policy] of Object.entries({ advised, likeliestFirst, checklist })) {
    const t = performance.now()
    const all = Array.from({ length: n }, (_, i) => {
      const hidden = hide(new Chance(1000 + i), ask[i % ask.length]!)
      return { hidden, ...work(hidden, policy, new Chance(5000 + i)) }
    })
    const mean = (f: (o: (typeof all)[number]) => number) => all.reduce((s, o) => s + f(o), 0) / n
    console.log(
      name,
      ((performance.now() - t) / n).toFixed(0),
      'ms each; cost',
      mean((o) => o.cost).toFixed(0),
      'within two',
      mean((o) => (o.mended && o.repairs <= 2 ? 1 : 0)).toFixed(3),
      'mended',
      mean((o) => +o.mended).toFixed(3),
      'looks',
      mean((o) => o.looks).toFixed(1),
      'repairs',
      mean((o) => o.repairs).toFixed(2),
      'wasted',
      mean((o) => o.wasted).toFixed(0),
      'caught',
      mean((o) => o.caught).toFixed(3),
    )
    if (name === 'advised')
      for (const o of all.filter((x) => x.repairs > 2).slice(0, 12))
        console.log(
          '  miss',
          o.hidden.complaint,
          o.hidden.causes.map((c) => c.id).join('+'),
          o.repairs,
          o.cost.toFixed(0),
        )
  }
  expect(1).toBe(1)
})
