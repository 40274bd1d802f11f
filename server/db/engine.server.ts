import type { Database } from './database.server'
import { pglite } from './pglite.server'
import type { ShopKey } from './shop-key.server'

/** What only those who keep the store need beside the database port. */
export type KeptDatabase = Database & {
  exec(sql: string): Promise<void>
  dump(): Promise<Blob>
}

/** What keeps a shop's data in a folder: nothing outside of one adapter knows what that folder holds. */
export type Engine = {
  /**
   * A new database, in memory where no folder is named; in one, it is to be synced as a whole once it is complete.
   *
   * @param snapshot a dump to begin from, where there is one
   */
  begin(dir?: string, snapshot?: string): Promise<KeptDatabase>
  /** @throws Error with a sentence where the folder is not one that this program can open */
  checkFolder(dir: string): void
  /** The database of a folder: an acknowledged commit is on the disk. */
  open(dir: string, key: ShopKey): Promise<KeptDatabase>
  /** A copy in memory of a folder that cannot be written. */
  openToRead(dir: string, key: ShopKey): Promise<KeptDatabase>
}

export const engine: Engine = pglite
