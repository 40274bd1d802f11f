import { data, useActionData } from 'react-router'
import { parseDecimal } from '~/lib/fields'
import { useSay } from '~/lib/say'
import { ActionBar } from '~/ui/action-bar'
import { Button } from '~/ui/button'
import { FormPanel } from '~/ui/form-panel'
import { LoneLink } from '~/ui/lone-link'
import { fact } from '~core/base/decision'
import { type Costs, mostMoney } from '~core/diagnosis/request'
import { partKeys, usualCosts } from '~core/diagnosis/usual'
import { database } from '~server/http/context.server'
import { savePrices, shopPrices } from '~server/store/settings.server'
import type { Route } from './+types/find-prices'

const LABOUR = 'labourPerHour'
const fieldNames = [LABOUR, ...partKeys] as const

export async function loader({ context }: Route.LoaderArgs) {
  return { costs: await shopPrices(context.get(database)) }
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await request.formData()
  const typed = Object.fromEntries(fieldNames.map((name) => [name, String(form.get(name) ?? '').trim()]))
  const faults: Record<string, string> = {}
  const read = (name: string): number | undefined => {
    if (typed[name] === '') return undefined
    const value = parseDecimal(typed[name] ?? '')
    if (typeof value === 'number' && value >= 0 && value <= mostMoney) return value
    faults[name] = `Give an amount from 0 to ${mostMoney}, or leave it empty.`
    return undefined
  }
  const costs: Costs = {
    labourPerHour: read(LABOUR),
    parts: Object.fromEntries(partKeys.map((key) => [key, read(key)])),
  }
  if (Object.keys(faults).length > 0) return data({ typed, faults, saved: false }, { status: 400 })
  await savePrices(context.get(database), costs)
  return { typed, faults, saved: true }
}

/** What the shop pays: the search for a fault reckons with it, and with the usual where a field is empty. */
export default function FindPrices({ loaderData: { costs } }: Route.ComponentProps) {
  const say = useSay()
  const answer = useActionData<typeof action>()
  const usual: Record<string, number> = { [LABOUR]: usualCosts.labourPerHour, ...usualCosts.parts }
  const own: Record<string, number | undefined> = { [LABOUR]: costs.labourPerHour, ...costs.parts }
  return (
    <FormPanel className="mx-auto grid max-w-4xl gap-5">
      <title>Prices · Ruddy Siphon</title>
      <h1 className="text-2xl">What things cost here</h1>
      <p className="max-w-[70ch]">
        In the shop’s own money. What is left empty counts for the usual price, which is one opinion from
        memory.
      </p>
      {answer?.saved && <p role="status">Kept.</p>}
      <div className="grid gap-4 sm:grid-cols-2 xl:grid-cols-3">
        {fieldNames.map((name) => {
          const fault = answer?.faults[name]
          return (
            <div key={name}>
              <label htmlFor={name} className="field-label first-letter:uppercase">
                {name === LABOUR ? 'An hour of hands' : say(fact(`spare-${name}`))}
              </label>
              <input
                id={name}
                name={name}
                className="input"
                inputMode="decimal"
                autoComplete="off"
                placeholder={`usual ${usual[name]}`}
                defaultValue={answer?.typed[name] ?? own[name]?.toString() ?? ''}
                aria-invalid={fault ? true : undefined}
                aria-describedby={fault ? `${name}-fault` : undefined}
              />
              {fault && (
                <p id={`${name}-fault`} className="fault">
                  {fault}
                </p>
              )}
            </div>
          )
        })}
      </div>
      <ActionBar>
        <Button type="submit" main>
          Keep these prices
        </Button>
        <LoneLink to="/find">To the fault finder</LoneLink>
      </ActionBar>
    </FormPanel>
  )
}
