import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import type { Queries } from './database.server'

const files = import.meta.glob<string>('./migrations/*.sql', {
  query: '?raw',
  import: 'default',
  eager: true,
})

/** Numbered migrations in order; a `commit` inside one would escape its transaction and is refused. */
const migrations = Object.entries(files)
  .map(([path, sql]) => ({ name: path.replace(/^.*\//, '').replace(/\.sql$/, ''), sql }))
  .sort((a, b) => (a.name < b.name ? -1 : 1))

for (const { name, sql } of migrations)
  if (/^\s*(commit|rollback)\b/im.test(sql))
    throw new Error(`migration ${name} must not end its own transaction`)

/** Its package does not export its package.json, so it is found beside what it does export. */
function pgliteVersion(): string {
  const entry = createRequire(import.meta.url).resolve('@electric-sql/pglite')
  return JSON.parse(readFileSync(join(dirname(entry), '..', 'package.json'), 'utf8')).version
}

/** What a built snapshot depends on; another hash means another snapshot. */
export const schemaHash = (): string => {
  const hash = createHash('sha256').update(pgliteVersion())
  for (const { name, sql } of migrations) hash.update(name).update(sql)
  return hash.digest('hex').slice(0, 16)
}

type Migratable = Queries & { transaction<T>(work: (tx: Queries) => Promise<T>): Promise<T> }

/** Bring the schema forward to the newest migration, each in its own transaction. */
export async function migrate(db: Migratable): Promise<void> {
  await db.query(
    'create table if not exists migration (name text primary key, applied_at timestamptz not null default now())',
  )
  const applied = new Set(
    (await db.query<{ name: string }>('select name from migration')).map((row) => row.name),
  )
  for (const { name, sql } of migrations) {
    if (applied.has(name)) continue
    await db.transaction(async (tx) => {
      for (const statement of statementsOf(sql)) await tx.query(statement)
      await tx.query('insert into migration (name) values ($1)', [name])
    })
  }
}

/** Migrations hold plain statements without functions, so a semicolon at a line's end closes one. */
const statementsOf = (sql: string): string[] =>
  sql
    .replace(/^--.*$/gm, '')
    .split(/;\s*$/m)
    .filter((statement) => statement.trim() !== '')
