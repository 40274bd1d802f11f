import { EventEmitter } from 'node:events'
import type { NextFunction, Request, Response } from 'express'

/**
 * Whoever writes a long answer waits for `drain` again and again. The package that compresses hands each such wait on to
 * a stream of its own and never takes it back, so that they pile up until Node warns of a leak: here it is given one for
 * the whole answer, and the waits are kept beside it.
 */
export function oneDrain(_request: Request, response: Response, next: NextFunction): void {
  const waiting = new EventEmitter()
  const { once, off } = response
  let heard = false
  response.once = ((type: string, hear: (...said: unknown[]) => void) => {
    if (type !== 'drain') return once.call(response, type, hear) as Response
    if (!heard) response.on('drain', () => waiting.emit('drain'))
    heard = true
    waiting.once('drain', hear)
    return response
  }) as Response['once']
  response.off = ((type: string, hear: (...said: unknown[]) => void) => {
    if (type !== 'drain') return off.call(response, type, hear) as Response
    waiting.off('drain', hear)
    return response
  }) as Response['off']
  next()
}
