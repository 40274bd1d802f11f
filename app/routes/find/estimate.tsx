import { DeclineLine } from '~/components/decline-line'
import { useSay } from '~/lib/say'
import { fact } from '~core/base/decision'
import type { Estimate as Estimated, EstimateOption, Range } from '~core/diagnosis/estimate'
import type { DeclinedLine } from '~core/job/events/line-declined'
import { money } from './figures'

type Props = {
  estimate: Estimated
  /** The job whose customer may decline a line of it. */
  jobId?: string
  declined: readonly DeclinedLine[]
  locked: boolean
}

const range = ({ low, high }: Range): string =>
  Math.round(low) === Math.round(high) ? money(low) : `${money(low)} to ${money(high)}`

/** What mending it would cost in each way, line by line: to be told before a part is ordered. */
export function Estimate({ estimate, jobId, declined, locked }: Props) {
  const say = useSay()
  const { cause, options, otherwise } = estimate
  const [first] = options
  if (!first || first.high === 0) return null
  return (
    <details>
      <summary className="font-bold">
        What mending costs ({say(fact(`cause-${cause}`))}): {range(first)}
        {options.length > 1 && `, or in another way`}
      </summary>
      <div className="grid gap-5 xl:grid-cols-2">
        {options.map((option) => (
          <Option
            key={option.id}
            option={option}
            titled={options.length > 1}
            jobId={jobId}
            declined={declined}
            locked={locked}
          />
        ))}
      </div>
      {otherwise && (
        <p className="mt-3">
          In {otherwise.chancePct} of 100 it is something else: then about{' '}
          <strong>{money(otherwise.cost)}</strong> more.
        </p>
      )}
      <p className="mt-1 text-quiet">
        Hands and usual prices may be off by half; a price of the shop’s own is what it is.
      </p>
    </details>
  )
}

function Option({
  option,
  titled,
  jobId,
  declined,
  locked,
}: { option: EstimateOption; titled: boolean } & Omit<Props, 'estimate'>) {
  const say = useSay()
  const wanted = option.lines.filter(({ line }) => !declined.some((each) => each.line === line))
  const sum: Range = {
    low: wanted.reduce((total, { low }) => total + low, 0),
    high: wanted.reduce((total, { high }) => total + high, 0),
  }
  return (
    <section>
      {titled && <h3 className="text-lg font-bold">{say(fact(`option-${option.id}`))}</h3>}
      <ul>
        {option.lines.map((line) => {
          const no = declined.find((each) => each.line === line.line)
          return (
            <li
              key={line.line}
              className="flex min-h-12 flex-wrap items-center justify-between gap-x-3 border-b border-rule py-1"
            >
              <span className={`flex-1 ${no ? 'line-through' : ''}`}>
                {say(line)}
                {line.usual && <span className="text-quiet italic"> · usual price</span>}
              </span>
              <span className="tabular-nums">{range(line)}</span>
              {jobId && line.part && (
                <DeclineLine
                  jobId={jobId}
                  line={line.line}
                  says={{ code: line.code, params: line.params }}
                  declined={no}
                  locked={locked}
                />
              )}
            </li>
          )
        })}
      </ul>
      <p className="flex justify-between pt-1 font-bold">
        <span>{wanted.length < option.lines.length ? 'Without what was declined' : 'Together'}</span>
        <span className="tabular-nums">{range(sum)}</span>
      </p>
    </section>
  )
}
