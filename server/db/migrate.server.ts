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

type Migration = { name: string; sql: string; sum: string }

/** Numbered migrations in order; a `commit` inside one would escape its transaction and is refused. */
const migrations: Migration[] = Object.entries(files)
  .map(([path, sql]) => ({ name: path.replace(/^.*\//, '').replace(/\.sql$/, ''), sql, sum: sumOf(sql) }))
  .sort((a, b) => (a.name < b.name ? -1 : 1))

for (const { name, sql } of migrations)
  if (/^\s*(commit|rollback)\b/im.test(sql))
    throw new Error(`migration ${name} must not end its own transaction`)

/** SHA-256 of a migration's text. */
function sumOf(sql: string): string {
  return createHash('sha256').update(sql).digest('hex')
}

/** Every migration with its sum, as the tests hold it against what was released. */
export const migrationSums = (): Record<string, string> =>
  Object.fromEntries(migrations.map(({ name, sum }) => [name, sum]))

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
type Applied = { name: string; sum: string | null }

const appliedIn = (db: Queries): Promise<Applied[]> =>
  db.query<Applied>(`select name, to_jsonb(migration)->>'sum' as sum from migration`)

/**
 * What a database still lacks, in order.
 *
 * @throws Error with a sentence where a newer release wrote it, or what was applied is not what this one knows
 */
export async function pending(db: Queries): Promise<string[]> {
  const [table] = await db.query(
    "select 1 from pg_tables where schemaname = 'public' and tablename = 'migration'",
  )
  const applied = table ? await appliedIn(db) : []
  for (const { name, sum } of applied) {
    const known = migrations.find((each) => each.name === name)
    if (!known)
      throw new Error(
        `The data was written by a newer release (it has ${name}, which this one does not know): start that release, or restore a backup of before.`,
      )
    // Releases before the first numbered one kept no sums.
    if (sum !== null && sum !== known.sum)
      throw new Error(
        `The data was brought forward by another ${name} than this release has: start the release that wrote it.`,
      )
  }
  return migrations.filter(({ name }) => !applied.some((each) => each.name === name)).map(({ name }) => name)
}

/** Bring the schema forward to the newest migration, each in its own transaction. */
export async function migrate(db: Migratable): Promise<void> {
  await db.query(
    'create table if not exists migration (name text primary key, applied_at timestamptz not null default now())',
  )
  const missing = await pending(db)
  await db.query('alter table migration add column if not exists sum text')
  for (const { name, sql, sum } of migrations) {
    if (!missing.includes(name)) {
      await db.query('update migration set sum = $2 where name = $1 and sum is null', [name, sum])
      continue
    }
    await db.transaction(async (tx) => {
      for (const statement of statementsOf(sql)) await tx.query(statement)
      await tx.query('insert into migration (name, sum) values ($1, $2)', [name, sum])
    })
  }
}

/** Migrations hold plain statements without functions, so a semicolon at a line's end closes one. */
const statementsOf = (sql: string): string[] =>
  sql
    .replace(/^--.*$/gm, '')
    .split(/;\s*$/m)
    .filter((statement) => statement.trim() !== '')
