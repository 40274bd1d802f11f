import type { RouterContextProvider } from 'react-router'
import { database, personHere } from '~/context'
import { unitsFor } from '~/db/units.server'
import { showIn } from '~core/units/show'
import { type Say, sayEnglish } from '~core/words'

/** Says facts in the units of whoever is at the screen that asks. */
export async function sayHere(context: Readonly<RouterContextProvider>): Promise<Say> {
  const { shown } = await unitsFor(context.get(database), context.get(personHere)?.id)
  return sayEnglish(showIn(shown))
}
