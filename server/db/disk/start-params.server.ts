import { PGlite } from '@electric-sql/pglite'

/**
 * PostgreSQL as it is started inside this program. Its own pages take a quarter of the memory they take by default, as all
 * of that is filled with zeros at each start; what does not fit is read from what the machine keeps of files.
 */
export const startParams: readonly string[] = [...PGlite.defaultStartParams, '-c', 'shared_buffers=32MB']
