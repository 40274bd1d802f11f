import pino from 'pino'

/** What whoever runs the program reads; nothing in it is for a page. */
export const log = pino()
