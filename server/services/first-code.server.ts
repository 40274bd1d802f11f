import { timingSafeEqual } from 'node:crypto'
import { hashed } from '~server/store/token.server'

/**
 * Whether somebody who adds the first person has seen where the program was started: its code stands there. Without
 * one, whoever on the shop's network opens a new shop first would own it.
 */
export function isFirstCode(typed: string): boolean {
  const code = process.env.SIPHON_FIRST_CODE
  if (!code) return false
  const plain = typed.toUpperCase().replaceAll(/[\s-]/g, '')
  return timingSafeEqual(Buffer.from(hashed(plain)), Buffer.from(hashed(code)))
}
