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

/** A pedal that gives where it should not, in one way or another. */
export const spongy = [
  'soft-pedal',
  'low-pedal',
  'springy-middle',
  'lost-after-standing',
] as const satisfies readonly Complaint[]
/** Whatever else air makes of a pedal, and of a bleed. */
export const airy = [...spongy, 'no-clutch', 'air-never-ends'] as const satisfies readonly Complaint[]

/** Complaints with which nobody drives, not to the next bay either. @source common practice */
const grounding: readonly Complaint[] = [
  ...spongy,
  'sinking-pedal',
  'no-pedal',
  'low-level',
  'fades-hot',
  'air-never-ends',
]
export const isGrounding = (complaint: Complaint): boolean => grounding.includes(complaint)

/** Complaints that are only there again after a while: what did not help drives off first. */
const late: readonly Complaint[] = ['lost-after-standing', 'fades-hot']
export const showsLate = (complaint: Complaint): boolean => late.includes(complaint)

/** Of the clutch, and not of the brakes. */
export const isOfClutch = (complaint: Complaint): boolean => complaint === 'no-clutch'
