import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import type { FaultFinding } from '~core/job/events/fault-looked'

/** Every answer given, each to be taken back by itself. */
export function FoundSoFar({
  finding,
  locked,
  onFinding,
  onAnew,
}: {
  finding: FaultFinding
  locked: boolean
  onFinding: (next: FaultFinding) => void
  onAnew: () => void
}) {
  const say = useSay()
  const { complaint, found, tried, was } = finding
  const rows = [
    ...found.map((each) => ({
      key: `${each.check} ${each.result}`,
      name: say(fact(`check-${each.check}-name`)),
      said: [
        say(fact(`result-${each.result}`)),
        ...(each.travelMm === undefined ? [] : [say.value('travelMm', each.travelMm)]),
        ...(each.at === undefined ? [] : [each.at]),
      ].join(', '),
      without: { ...finding, found: found.filter((other) => other !== each) },
    })),
    ...tried.map((id, i) => ({
      key: `tried ${id}`,
      name: 'Mended in vain',
      said: say(fact(`cause-${id}`)),
      without: { ...finding, tried: tried.filter((_, j) => j !== i) },
    })),
    ...(was === undefined
      ? []
      : [
          {
            key: 'was',
            name: 'It was',
            said: say(fact(`cause-${was}`)),
            without: { ...finding, was: undefined },
          },
        ]),
  ]
  return (
    <Panel aria-labelledby="so-far">
      <h2 id="so-far">{say(fact(`complaint-${complaint}`))}</h2>
      {rows.length === 0 && <p className="text-quiet">Nothing was looked at yet.</p>}
      <ul className="grid gap-1">
        {rows.map(({ key, name, said, without }) => (
          <li key={key} className="flex items-center justify-between gap-3 border-b border-rule py-1">
            <span>
              {name}: <strong>{said}</strong>
            </span>
            {!locked && (
              <Button className="px-3" aria-label={`Take back: ${name}`} onClick={() => onFinding(without)}>
                Take back
              </Button>
            )}
          </li>
        ))}
      </ul>
      {!locked && (
        <Button className="mt-3" onClick={onAnew}>
          It does something else
        </Button>
      )}
    </Panel>
  )
}
