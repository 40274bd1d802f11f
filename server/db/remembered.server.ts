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

/**
 * Rows of a database, asked once until something is written: a folder has one writer, this process, so nothing changes
 * behind what is remembered. A page of a shop in which nobody acts just now costs no SQL.
 */
export class Remembered {
  private readonly rows = new LRUCache<string, unknown[]>({
    maxSize: ROWS,
    // That there is nothing is an answer too.
    sizeCalculation: (rows) => rows.length + 1,
  })
  private underWay = 0
  private writes = 0

  async read<Row>(sql: string, params: readonly unknown[], ask: Queries['query']): Promise<Row[]> {
    if (!mayRemember(sql)) return ask<Row>(sql, params)
    const question = `${sql}\n${JSON.stringify(params)}`
    const kept = this.rows.get(question)
    if (kept) return kept as Row[]
    const before = this.writes
    const rows = await ask<Row>(sql, params)
    // What was asked while something was being written may be of before it.
    if (rows.length <= ROWS_OF_ONE && this.underWay === 0 && this.writes === before)
      this.rows.set(question, frozen(rows))
    return rows
  }

  /** Whatever may write goes through here, from its beginning to its end. */
  async write<T>(work: () => Promise<T>): Promise<T> {
    this.underWay++
    this.forget()
    try {
      return await work()
    } finally {
      this.underWay--
      this.forget()
    }
  }

  private forget(): void {
    this.writes++
    this.rows.clear()
  }
}
