import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import { engine } from '~server/db/engine.server'
import { migrate } from '~server/db/migrate.server'
import { snapshotPath } from '~server/services/open-data.server'

// A new data folder takes seconds to make and one to load, so the build makes it once for every first start.
const path = snapshotPath(resolve('build'))
rmSync(dirname(path), { recursive: true, force: true })
mkdirSync(dirname(path), { recursive: true })
const db = await engine.begin()
await migrate(db)
writeFileSync(path, Buffer.from(await (await db.dump()).arrayBuffer()))
await db.close()
console.log(`snapshot ${path.slice(resolve('.').length + 1)}`)
