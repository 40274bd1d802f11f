import { createPrivateKey, createPublicKey, generateKeyPairSync, type KeyObject, sign } from 'node:crypto'
import { closeSync, existsSync, fsyncSync, openSync, readFileSync, renameSync, writeSync } from 'node:fs'
import { dirname } from 'node:path'
import { fingerprintOf } from '~core/ledger/logbook'
import { syncPath } from '~server/db/disk/sync.server'

/** The shop's own key: what it signs, nobody else can have written. */
export type ShopKey = {
  publicKey: string
  fingerprint: string
  /** @returns the Ed25519 signature of a text in UTF-8, in hexadecimal */
  sign(text: string): string
}

/** Beside the data and not in it: who holds the folder, or a backup of it, cannot sign. */
export const keyPathOf = (dataDir: string): string => process.env.SIPHON_KEY ?? `${dataDir}.key`

/** A key for a store that lives in memory. */
export const passingKey = (): ShopKey => keyOf(generateKeyPairSync('ed25519').privateKey)

/** The shop's key; made where there is none yet. @throws Error with a sentence where it cannot be read or made */
export function shopKeyAt(path: string): ShopKey {
  try {
    if (!existsSync(path)) makeKey(path)
    return keyOf(createPrivateKey(readFileSync(path)))
  } catch (error) {
    throw new Error(
      `The shop’s key ${path} cannot be read or made (${(error as Error).message}): make it readable, or set SIPHON_KEY to a file that can be written.`,
    )
  }
}

function makeKey(path: string): void {
  const pem = generateKeyPairSync('ed25519').privateKey.export({ type: 'pkcs8', format: 'pem' })
  const half = `${path}.half`
  const file = openSync(half, 'w', 0o600)
  writeSync(file, String(pem))
  fsyncSync(file)
  closeSync(file)
  renameSync(half, path)
  syncPath(dirname(path))
}

function keyOf(privateKey: KeyObject): ShopKey {
  const { x = '' } = createPublicKey(privateKey).export({ format: 'jwk' })
  const publicKey = Buffer.from(x, 'base64url').toString('hex')
  return {
    publicKey,
    fingerprint: fingerprintOf(publicKey),
    sign: (text) => sign(null, Buffer.from(text), privateKey).toString('hex'),
  }
}
