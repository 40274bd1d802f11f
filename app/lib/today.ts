import { dayIn } from './zone'

/** The day it is now in the shop. */
export const today = (): string => dayIn(new Date())
