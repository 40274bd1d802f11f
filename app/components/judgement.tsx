import { basisNames } from '~/components/reasons'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { verdictWords } from '~/lib/words'
import { Panel } from '~/ui/panel'
import type { Judgement, RuleSays } from '~core/fluid/judgement'
import { type HardUseId, hardUseFact } from '~core/fluid/policy/hard-use'
import { testerFact } from '~core/fluid/testers'

const looks: Record<Judgement['verdict'], string> = {
  keep: 'bg-enamel',
  watch: 'bg-oxide-wash',
  replace: 'bg-oxide text-on-oxide',
  retest: 'hatched',
}

/** What the shop's policy makes of the readings, which rule decided, and what others would say. */
export function JudgementPanel({ judged, hardUse }: { judged?: Judgement; hardUse: readonly HardUseId[] }) {
  const show = useShow()
  const say = useSay()
  return (
    <Panel aria-live="polite">
      <h2>
        Verdict under the shop’s policy
        {hardUse.length > 0 && `, stricter for ${hardUse.map((use) => say(hardUseFact(use))).join(', ')}`}
      </h2>
      {!judged && <p>Type what the tester shows.</p>}
      {judged && (
        <div className="grid gap-4">
          <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
            <p className={`border-2 border-ink px-4 py-2 text-2xl font-extrabold ${looks[judged.verdict]}`}>
              {verdictWords[judged.verdict]}
            </p>
            {judged.boilingC && (
              <p className="text-xl">
                boils at <strong>{show('temperature', judged.boilingC.likely)}</strong>
                {judged.marginC !== undefined && (
                  <>
                    , <strong>{show.apart('temperature', Math.abs(judged.marginC))}</strong>{' '}
                    {judged.marginC >= 0 ? 'above' : 'below'} the limit
                  </>
                )}
              </p>
            )}
          </div>
          <p className="text-lg">{say(judged.because)}</p>
          {judged.askFor.length > 0 && (
            <p className="border-l-4 border-oxide pl-3">
              Surer: {judged.askFor.map((id) => say(testerFact(id))).join(', or ')}.
            </p>
          )}
          <RuleTable judged={judged} />
          {judged.cannot.length > 0 && (
            <div>
              <h3 className="font-bold">What this does not tell</h3>
              <ul className="list-disc pl-5">
                {judged.cannot.map((each) => (
                  <li key={each.code}>{say(each)}</li>
                ))}
              </ul>
            </div>
          )}
        </div>
      )}
    </Panel>
  )
}

const marks: Record<RuleSays['verdict'], string> = { keep: '○', watch: '◐', replace: '●', unknown: '–' }
const words: Record<RuleSays['verdict'], string> = { ...verdictWords, unknown: 'no say' }

const silent = ({ verdict }: RuleSays) => verdict === 'unknown'

function RuleTable({ judged }: { judged: Judgement }) {
  const say = useSay()
  const others = judged.others.filter((says) => !silent(says))
  const quiet = judged.says.filter(silent)
  return (
    <div>
      <table className="w-full text-left">
        <caption className="sr-only">What each rule says</caption>
        <thead>
          <tr className="border-b-2 border-ink [&>th]:py-1 [&>th]:pr-3">
            <th scope="col" className="w-40">
              Rule
            </th>
            <th scope="col">Says</th>
            <th scope="col">Because</th>
          </tr>
        </thead>
        <tbody>
          {judged.says
            .filter((says) => !silent(says))
            .map((says) => (
              <RuleRow key={says.rule} says={says} decided={judged.decidedBy === says.rule} />
            ))}
        </tbody>
        {others.length > 0 && (
          <tbody>
            <tr>
              <th scope="colgroup" colSpan={3} className="pt-3 pb-1">
                Other schools would say
              </th>
            </tr>
            {others.map((says) => (
              <RuleRow key={`${says.rule} ${says.limit}`} says={says} decided={false} />
            ))}
          </tbody>
        )}
      </table>
      {quiet.length > 0 && (
        <p className="mt-2 text-sm text-quiet">
          No say:{' '}
          {quiet
            .map((each) => `${say(each.words)} (${say(each).replace(/\.$/, '').toLowerCase()})`)
            .join('; ')}
          .
        </p>
      )}
    </div>
  )
}

function RuleRow({ says, decided }: { says: RuleSays; decided: boolean }) {
  const say = useSay()
  return (
    <tr
      className={`border-b border-rule align-top [&>td]:py-1.5 [&>td]:pr-3 ${decided ? 'bg-oxide-wash font-semibold' : ''}`}
    >
      <td>
        {say(says.words)}
        {decided && <span className="block text-sm">decided</span>}
      </td>
      <td className="whitespace-nowrap">
        <span aria-hidden="true">{marks[says.verdict]}</span> {words[says.verdict]}
      </td>
      <td>
        {say(says)} <span className="text-sm font-normal text-quiet italic">{basisNames[says.basis]}</span>
      </td>
    </tr>
  )
}
