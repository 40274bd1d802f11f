import type { FieldMetadata } from '@conform-to/react'
import { dueBasis, ruleWords } from '~/lib/due-words'
import { showDate } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { verdictWords } from '~/lib/words'
import { DateInput } from '~/ui/date-input'
import type { FluidDue } from '~core/fluid/due'
import type { Judgement } from '~core/fluid/judgement'
import { followUpFact, type followUpsFrom } from '~core/job/follow-ups'

type Ends = { mayDrive: boolean; mayKeep: boolean; mayDecline: boolean; judged?: Judgement['verdict'] }

/** How a job may end now. */
export const outcomeOptions = ({ mayDrive, mayKeep, mayDecline, judged }: Ends) => [
  ...(mayDrive ? [{ value: 'fit', label: 'Fit to drive: everything is proved' }] : []),
  { value: 'not-fit', label: 'Not fit to drive' },
  ...(mayKeep ? [{ value: 'kept', label: keptLabel(judged) }] : []),
  ...(mayDecline
    ? [{ value: 'declined', label: 'The customer declined: say under Note what was said and signed' }]
    : []),
]

/** Against the verdict it may be kept too, and then the record says so. */
const keptLabel = (judged?: Judgement['verdict']) =>
  judged === undefined || judged === 'keep'
    ? 'The fluid is kept: nothing was done'
    : `The fluid is kept, though the verdict was “${verdictWords[judged]}”: nothing was done`

/** When its fluid is due again: as the shop's policy has it, until somebody says otherwise. */
export function NextDue({ field, due }: { field: FieldMetadata<string | undefined>; due?: FluidDue }) {
  const show = useShow()
  return (
    <div>
      <label htmlFor={field.id} className="field-label">
        Next due
      </label>
      <DateInput id={field.id} name={field.name} defaultValue={field.initialValue} />
      <p className="mt-1 text-sm text-quiet">
        {due
          ? `${ruleWords(due.rule, due.limit, show)}, ${dueBasis[due.basis]}: the shop’s policy. The maker’s figure wins.`
          : 'Nothing is known that would say when; the maker’s figure wins.'}
      </p>
    </div>
  )
}

/** What somebody looks at once it has left. */
export function LookedAtAgain({ again }: { again: ReturnType<typeof followUpsFrom> }) {
  const say = useSay()
  if (again.length === 0) return null
  return (
    <section>
      <h2 className="text-xl">Looked at again, and on the due list until it is</h2>
      <ul>
        {again.map(({ id, dueOn }) => (
          <li key={id}>
            {say(followUpFact(id))}: {showDate(dueOn)}
          </li>
        ))}
      </ul>
    </section>
  )
}
