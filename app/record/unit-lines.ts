import { readingFigures } from '~/lib/unit-words'
import { fact } from '~core/base/decision'
import type { JobState } from '~core/job/state'
import { type ReadTime, readTimes, type UnitLedger } from '~core/job/unit-ledger'
import { partFact, partsOf } from '~core/vehicle/parts'
import type { Say } from '~core/words'

/** What was changed on each control unit, what it said of itself each time, and what its routine brought. */
export function unitLines({ vehicle, units = {}, run }: JobState, say: Say): string[] {
  const { show } = say
  const by = ({ by: person }: { by?: { name: string } }) => (person ? ` (${person.name})` : '')
  const read = (name: string, when: ReadTime, reading: UnitLedger['before']) => {
    if (!reading) return []
    const { codes } = reading
    const head = fact('event-unit-read', {
      unit: name,
      when: fact(`unit-${when}`),
      codes: codes.map(({ code, says, is }) => `${code} ${says} (${is})`),
    })
    return [`${[say(head), ...readingFigures(reading, show, say)].join(', ')}${by(reading)}`]
  }
  const routines = (run?.stages ?? []).flatMap(({ stage, tally }) =>
    stage.kind === 'control-unit' && stage.order.length > 0
      ? [say(fact('routine-brought', { outMl: tally.outMl, reckonedMl: stage.ml }))]
      : [],
  )
  const changed = partsOf(vehicle, 'control-unit').flatMap((part) => {
    const { fitted, ...readings } = units[part.id] ?? {}
    const name = say(partFact(part))
    return [
      ...(fitted
        ? [
            `${say(fact('event-unit-fitted', { unit: name, old: fitted.oldNumber, new: fitted.newNumber, origin: fact(`unit-${fitted.origin}`) }))}, plug faces ${fitted.faces}${fitted.makersWord ? `; the maker: ${fitted.makersWord}` : ''}${by(fitted)}`,
          ]
        : []),
      ...readTimes.flatMap((when) => read(name, when, readings[when])),
    ]
  })
  return [...changed, ...routines]
}
