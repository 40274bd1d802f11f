import { showMoment } from '~/lib/format'
import { useSay } from '~/lib/say'
import { readingFigures } from '~/lib/unit-words'
import { useShow } from '~/lib/units'
import type { UnitLedger } from '~core/job/unit-ledger'
import { stateNames } from './codes-rows'

type Reading = NonNullable<UnitLedger['before']>

/** What a unit said of itself at one time. */
export function ReadingLines({ name, reading }: { name: string; reading: Reading }) {
  const { at, by, from, codes } = reading
  const said = readingFigures(reading, useShow(), useSay())
  return (
    <div className="border-l-8 border-ink pl-3">
      <h3 className="font-bold">{name}</h3>
      <p className="text-sm text-quiet">
        {showMoment(at)}
        {by && `, ${by.name}`}, {from === 'tool' ? 'by the tool' : 'read aloud'}
      </p>
      {codes.length === 0 ? (
        <p>No codes.</p>
      ) : (
        <ul>
          {codes.map(({ code, says, is }) => (
            <li key={`${code} ${is} ${says}`}>
              <strong>{code}</strong> {says && `${says}, `}
              {stateNames[is]}
            </li>
          ))}
        </ul>
      )}
      {said.length > 0 && <p>{said.join('; ')}.</p>}
    </div>
  )
}
