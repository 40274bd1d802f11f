import type { ShopKey } from './shop-key.server'

/** What the rest of the program needs of a database: SQL in, rows out. */
export type Queries = {
  query<Row>(sql: string, params?: readonly unknown[]): Promise<Row[]>
}

/**
 * The database port. Inside `transaction` use only the queries handed in, and wait for nothing but SQL:
 * every other query stands still until it ends.
 */
export type Database = Queries & {
  transaction<T>(work: (tx: Queries) => Promise<T>): Promise<T>
  /** @throws StorageFault where nothing can be recorded now */
  writable(): Promise<void>
  close(): Promise<void>
  /** Signs what is filed here. */
  readonly shopKey: ShopKey
}

/** Whether a failure is the database's own, of this kind. @source PostgreSQL, appendix A, error codes */
export const hasDatabaseCode = (error: unknown, code: string): error is Error =>
  error instanceof Error && 'code' in error && error.code === code
