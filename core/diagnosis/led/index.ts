import { bore } from './bore'
import { efforts } from './efforts'
import { flow } from './flow'
import type { Led } from './led'
import { wear } from './wear'

/** Checks that are measured. A new one is one file and one line here. */
const all: readonly Led[] = [efforts, wear, bore, flow]
const byCheck = new Map(all.map((each) => [each.check, each]))

export const ledOf = (check: string): Led | undefined => byCheck.get(check)
