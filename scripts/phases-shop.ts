import { resolve } from 'node:path'
import { openData } from '~server/services/open-data.server'
import { loadDemoWorld } from '../demo/load'
import { addBayPhases } from './bay-phases'
import { addRoutinePhases } from './routine-phases'

/** A new data folder with one job in every phase of a call and of a unit’s routine; prints their names and ids as JSON. */
const folder = process.argv[2]
if (!folder) throw new Error('Name a folder to be made.')
const at = new Date()
const { db } = await openData(folder, resolve('build'))
await loadDemoWorld(db, at)
const made = { call: await addBayPhases(db, at), routine: await addRoutinePhases(db, at) }
await db.close()
console.log(JSON.stringify(made))
