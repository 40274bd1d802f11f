import { mkdirSync, readdirSync, writeFileSync } from 'node:fs'
import { factsOf } from '~test/golden/facts'
import { firstVersion } from './golden/v1'
import { secondVersion } from './golden/v2'
import { thirdVersion } from './golden/v3'

/**
 * Logs of jobs as this version of the program writes them, kept so that every later version is shown to open them.
 * Written once for each version of the events, into a folder that is empty: what was released is never written anew.
 */
const sets: Record<string, typeof firstVersion> = { v1: firstVersion, v2: secondVersion, v3: thirdVersion }
const [version = '', folder] = process.argv.slice(2)
const jobs = sets[version]
if (!jobs || !folder) throw new Error(`say which set (${Object.keys(sets).join(', ')}) and where the logs go`)
mkdirSync(folder, { recursive: true })
if (readdirSync(folder).length > 0)
  throw new Error(`${folder} holds logs already: they are never written anew`)

for (const [name, make] of Object.entries(jobs)) {
  const job = make()
  const { state, events } = job
  const record = state.filed && { ...state, undoable: [], addenda: [] }
  writeFileSync(
    `${folder}/${name}.json`,
    `${JSON.stringify({ format: 'ruddy-siphon.job-log', version: 1, events, facts: factsOf(state), ...(record && { record }) })}\n`,
  )
}
console.log(`${Object.keys(jobs).length} logs in ${folder}`)
