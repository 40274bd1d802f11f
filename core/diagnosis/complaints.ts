/** What somebody comes with. */
export const complaintIds = [
  'soft-pedal',
  'sinking-pedal',
  'low-pedal',
  'no-pedal',
  'hard-pedal',
  'springy-middle',
  'drag-one',
  'drag-all',
  'low-level',
  'lost-after-standing',
  'fades-hot',
  'no-clutch',
  'no-flow-one',
  'air-never-ends',
  'pulls-to-one-side',
] as const
export type Complaint = (typeof complaintIds)[number]
