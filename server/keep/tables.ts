/** A table of what is kept. */
export type Table = {
  name: string
  /** Its primary key: in this order its rows are written, and asked for piece by piece. */
  key: readonly string[]
  /** Columns that leave no trace in an export. */
  without?: readonly string[]
  /** Columns of JSON whose very text is kept. */
  asText?: readonly string[]
  /** The column that the database counts by itself. */
  counted?: string
}

/** Everything that is kept, in an order in which each row finds what it refers to. Who is at which screen is not. */
export const tables: readonly Table[] = [
  // A PIN is written down nowhere, not even as its hash: four digits are soon tried through.
  { name: 'person', key: ['id'], without: ['pin_hash'] },
  { name: 'setting', key: ['key'] },
  { name: 'vehicle', key: ['id'], asText: ['file'] },
  { name: 'vehicle_version', key: ['vehicle_id', 'version'], asText: ['file'] },
  { name: 'job', key: ['id'] },
  { name: 'job_event', key: ['job_id', 'seq'] },
  { name: 'record', key: ['job_id'] },
  { name: 'logbook_entry', key: ['seq'] },
  { name: 'fluid_reading', key: ['id'] },
  { name: 'fluid_exchange', key: ['id'] },
  { name: 'odometer_reading', key: ['job_id'] },
  { name: 'fluid_due', key: ['vehicle_id'] },
  { name: 'follow_up', key: ['job_id', 'kind'] },
  { name: 'product', key: ['id'] },
  { name: 'container', key: ['code'] },
  { name: 'container_move', key: ['seq'], counted: 'seq' },
  { name: 'reservation', key: ['job_id', 'code'] },
  { name: 'waste', key: ['seq'], counted: 'seq' },
]
