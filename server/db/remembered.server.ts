import { LRUCache } from 'lru-cache'
import type { Queries } from './database.server'

/** Rows kept at most, and of one question: a page asks for a handful, a backup for everything once. A row is a kilobyte or two. */
const ROWS = 10_000
const ROWS_OF_ONE = 300

/** Whether a statement may change anything. */
export const mayChange = (sql: string): boolean => !/^\s*(select|show)\b/i.test(sql)

/** What answers differently though nothing was written, or has an effect beside its rows. */
const MORE_THAN_ROWS = /\b(now|random|\w+_timestamp|current_\w+|nextval|gen_\w+)\b|\bfor (update|share)\b/i
const mayRemember = (sql: string): boolean => !mayChange(sql) && !MORE_THAN_ROWS.test(sql)

/** Everybody who asks the same is handed the same rows: nobody may change them for the others. */
function frozen<T>(value: T): T {
  if (typeof value !== 'object' || value === null || Object.isFrozen(value)) return value
  for (const each of Object.values(value)) frozen(each)
  return Object.freeze(value)
}

const WRITES_INTO = /\b(?:(?:insert|merge)\s+into|update|delete\s+from)\s+(?:only\s+)?(?:"?\w+"?\.)?"?(\w+)/g

/** The tables that a statement writes; none where that cannot be told. A word too many costs a question, none too few. */
const writtenBy = (sql: string): string[] =>
  [...sql.toLowerCase().matchAll(WRITES_INTO)].map(([, name = '']) => name)

/** Every word of a statement: no table is asked that is not one of them, as long as the store has no views. */
const wordsOf = (sql: string): ReadonlySet<string> => new Set(sql.toLowerCase().match(/\w+/g))

type Kept = { rows: unknown[]; words: ReadonlySet<string>; asOf: number }
/** Tells what a write writes, as it does. */
export type Writes = (sql: string) => void

/**
 * Rows of a database, asked once until a table that they come from is written: a folder has one writer, this process, so
 * nothing changes behind what is remembered. Who is at a screen is not asked anew at each act on a job.
 */
export class Remembered {
  private readonly kept = new LRUCache<string, Kept>({
    maxSize: ROWS,
    // That there is nothing is an answer too.
    sizeCalculation: ({ rows }) => rows.length + 1,
  })
  private underWay = 0
  private writes = 0
  /** Which write was the last into each table. */
  private readonly lastInto = new Map<string, number>()

  async read<Row>(sql: string, params: readonly unknown[], ask: Queries['query']): Promise<Row[]> {
    if (!mayRemember(sql)) return ask<Row>(sql, params)
    const question = `${sql}\n${JSON.stringify(params)}`
    const kept = this.kept.get(question)
    if (kept && this.stillSo(kept)) return kept.rows as Row[]
    const before = this.writes
    const rows = await ask<Row>(sql, params)
    // What was asked while something was being written may be of before it.
    if (rows.length <= ROWS_OF_ONE && this.underWay === 0 && this.writes === before)
      this.kept.set(question, { rows: frozen(rows), words: wordsOf(sql), asOf: before })
    return rows
  }

  /** Whatever may write goes through here, from its beginning to its end. */
  async write<T>(work: (writes: Writes) => Promise<T>): Promise<T> {
    const into = new Set<string>()
    let anything = false
    this.underWay++
    this.writes++
    try {
      return await work((sql) => {
        if (!mayChange(sql)) return
        const tables = writtenBy(sql)
        for (const table of tables) into.add(table)
        anything ||= tables.length === 0
      })
    } finally {
      this.underWay--
      this.writes++
      for (const table of into) this.lastInto.set(table, this.writes)
      if (anything) this.kept.clear()
    }
  }

  /** The same where what is written into cannot be told: several statements at once. */
  rewrite<T>(work: () => Promise<T>): Promise<T> {
    return this.write((writes) => {
      writes('anything')
      return work()
    })
  }

  private stillSo({ words, asOf }: Kept): boolean {
    for (const [table, write] of this.lastInto) if (write > asOf && words.has(table)) return false
    return true
  }
}
