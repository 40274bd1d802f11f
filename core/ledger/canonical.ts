import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'
import canonicalize from 'canonicalize'

/**
 * The one text of a JSON value: members in order, no space, numbers as JavaScript prints them. Whoever hashes a value
 * elsewhere, by another program, comes to the same text.
 *
 * @source RFC 8785, JSON Canonicalization Scheme
 * @throws Error for what JSON cannot hold (NaN, Infinity, a lone surrogate)
 */
export function canonicalText(value: unknown): string {
  const text = canonicalize(value)
  if (text === undefined) throw new Error('nothing that JSON can hold')
  return text
}

/** SHA-256 of a text in UTF-8, as 64 hexadecimal digits. @source FIPS 180-4 */
export const hashOfText = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)))

/** SHA-256 of a value's canonical text. */
export const hashOf = (value: unknown): string => hashOfText(canonicalText(value))
