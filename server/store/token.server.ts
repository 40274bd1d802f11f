import { createHash, randomBytes } from 'node:crypto'

/** What a browser holds to be known by; the store keeps only its hash. */
export const newToken = (): string => randomBytes(32).toString('base64url')
export const hashed = (token: string): string => createHash('sha256').update(token).digest('hex')
