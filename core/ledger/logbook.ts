import { ed25519 } from '@noble/curves/ed25519.js'
import { hexToBytes, utf8ToBytes } from '@noble/hashes/utils.js'
import { z } from 'zod'
import { hashOf, hashOfText } from './canonical'

const hex = (bytes: number) =>
  z.string().regex(new RegExp(`^[0-9a-f]{${2 * bytes}}$`), 'give hexadecimal digits')
const link = hex(32)

const stands = {
  /** Place in the logbook, from 1. */
  seq: z.int().positive(),
  at: z.iso.datetime(),
  previous: link,
  /** Fingerprint of the key that signs this entry. */
  key: link,
}
/** How far a job's own chain went when the entry was made. */
const job = { job: z.string().max(200), events: z.int().positive(), eventsLink: link }

/** One entry of the shop's logbook. */
export const logbookEntrySchema = z.discriminatedUnion('kind', [
  /** A key that signs from here on: the first, or another after the last was lost. */
  z.strictObject({ ...stands, kind: z.literal('key'), publicKey: hex(32) }),
  /** A job was filed, with the hash of its frozen record; `late` where it was filed before the logbook was chained. */
  z.strictObject({
    ...stands,
    ...job,
    kind: z.literal('record'),
    record: link,
    late: z.literal(true).optional(),
  }),
  /** Something was added to a filed record. */
  z.strictObject({ ...stands, ...job, kind: z.literal('addendum') }),
])
export type LogbookEntry = z.output<typeof logbookEntrySchema>

/** An entry with its link and the shop's signature over it. */
export const signedEntrySchema = z.strictObject({ entry: logbookEntrySchema, link, signature: hex(64) })
export type SignedEntry = z.output<typeof signedEntrySchema>

/** The link of an entry: it holds the one before. */
export const entryLink = (entry: LogbookEntry): string => hashOf(entry)

/** What a key is known by: SHA-256 of its 32 bytes in hexadecimal. */
export const fingerprintOf = (publicKeyHex: string): string => hashOfText(publicKeyHex)

/** A fingerprint as people compare it: sixteen digits in groups. */
export const shortFingerprint = (fingerprint: string): string =>
  fingerprint
    .slice(0, 16)
    .replace(/(.{4})(?=.)/g, '$1 ')
    .toUpperCase()

/** Whether a text was signed by the holder of this key. @source RFC 8032, Ed25519 */
export function isSignedBy(publicKeyHex: string, text: string, signatureHex: string): boolean {
  try {
    return ed25519.verify(hexToBytes(signatureHex), utf8ToBytes(text), hexToBytes(publicKeyHex), {
      zip215: false,
    })
  } catch {
    // A key or signature that is no point of the curve was made by nobody.
    return false
  }
}
