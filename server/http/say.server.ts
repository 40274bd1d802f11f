import type { RouterContextProvider } from 'react-router'
import { showIn } from '~core/units/show'
import { type Say, sayEnglish } from '~core/words'
import { unitsFor } from '~server/store/units.server'
import { database, personHere } from './context.server'

/** Says facts in the units of whoever is at the screen that asks. */
export async function sayHere(context: Readonly<RouterContextProvider>): Promise<Say> {
  const { shown } = await unitsFor(context.get(database), context.get(personHere)?.id)
  return sayEnglish(showIn(shown))
}
