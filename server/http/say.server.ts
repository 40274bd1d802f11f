import type { RouterContextProvider } from 'react-router'
import { showIn } from '~core/units/show'
import { type Say, sayEnglish } from '~core/words'
import { unitsHere } from './context.server'

/** Says facts in the units of whoever is at the screen that asks. */
export const sayHere = (context: Readonly<RouterContextProvider>): Say =>
  sayEnglish(showIn(context.get(unitsHere)))
