import { relative, resolve } from 'node:path'
import { makeSnapshot } from '~server/services/snapshot.server'

console.log(`snapshot ${relative('.', await makeSnapshot(resolve('build')))}`)
