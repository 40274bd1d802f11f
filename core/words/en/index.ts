import { proofWords } from '../proofs'
import type { Words } from '../say'
import { stepWords } from '../steps'
import { techniqueWords } from '../techniques'
import { bench } from './bench'
import { benchPages } from './bench-pages'
import { calls } from './calls'
import { cautions } from './cautions'
import { diagnosis } from './diagnosis'
import { door } from './door'
import { events } from './events'
import { explain } from './explain'
import { findings } from './findings'
import { fluid } from './fluid'
import { fluidKinds } from './fluid-kinds'
import { job } from './job'
import { names } from './names'
import { plan } from './plan'
import { proofs } from './proofs'
import { repairSheetWords } from './repair-sheets'
import { rig } from './rig'
import { steps } from './steps'
import { techniques } from './techniques'
import { vehicle } from './vehicle'

/** Everything the program says of a job, by code, in English. */
export const english: Words = {
  ...names,
  ...vehicle,
  ...plan,
  ...explain,
  ...calls,
  ...cautions,
  ...job,
  ...findings,
  ...events,
  ...diagnosis,
  ...door,
  ...fluid,
  ...fluidKinds,
  ...bench,
  ...benchPages,
  ...repairSheetWords,
  ...rig,
  ...stepWords(steps),
  ...Object.assign({}, ...Object.entries(proofs).map(([id, words]) => proofWords(id, words))),
  ...Object.assign({}, ...Object.entries(techniques).map(([id, words]) => techniqueWords(id, words))),
}
