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

/** Complaints with which nobody drives, not to the next bay either. @source common practice */
const grounding: readonly Complaint[] = [
  'soft-pedal',
  'sinking-pedal',
  'low-pedal',
  'no-pedal',
  'springy-middle',
  'low-level',
  'lost-after-standing',
  'fades-hot',
  'air-never-ends',
]
export const isGrounding = (complaint: Complaint): boolean => grounding.includes(complaint)
