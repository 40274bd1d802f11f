import { unitFieldOf } from '~/lib/fields'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { FormPanel } from '~/ui/form-panel'
import { openedRuleFact, openedRuleIds } from '~core/stock/opened-rule'
import { quantities } from '~core/units/units'
import type { Route } from './+types/shelf'

/** How long an opened container serves, what the drum holds, and in what money fluid is bought. */
export function ShelfRules({
  settings: { rule, money, drumMl },
  fault,
}: {
  settings: Route.ComponentProps['loaderData']['settings']
  fault?: string
}) {
  const show = useShow()
  const say = useSay()
  const unit = show.unit('volume')
  return (
    <FormPanel className="grid gap-3">
      <h2>The shop’s rules here</h2>
      <fieldset className="grid gap-2">
        <legend className="field-label">An opened container of glycol fluid is used</legend>
        {openedRuleIds.map((id) => (
          <label key={id} className="choice">
            <input type="radio" name="rule" value={id} defaultChecked={id === rule} />
            {say(openedRuleFact(id))}
          </label>
        ))}
        <p className="text-sm text-quiet">
          Common practice, three schools. Silicone and mineral oil take up no water.
        </p>
      </fieldset>
      <div className="grid gap-3 sm:grid-cols-2">
        <label>
          <span className="field-label">A drum holds, {unit}</span>
          <input
            name="drumMl"
            defaultValue={show.number('volume', drumMl)}
            inputMode="decimal"
            className="input"
          />
        </label>
        {unit !== quantities.volume.metric && (
          <input type="hidden" name={unitFieldOf('drumMl')} value={unit} />
        )}
        <label>
          <span className="field-label">Prices are in</span>
          <input name="money" defaultValue={money} maxLength={8} className="input" />
        </label>
      </div>
      {fault && (
        <p role="alert" className="fault">
          {fault}
        </p>
      )}
      <Button type="submit" className="justify-self-start">
        Keep these
      </Button>
    </FormPanel>
  )
}
