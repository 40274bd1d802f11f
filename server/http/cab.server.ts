import QRCode from 'qrcode'
import { afterWrong, isLocked, noTries, type Tries } from '~core/door/tries'
import { type CabLanguageId, cabLanguageFor, cabLanguageIds } from '~core/words/cab'

const TOKEN = 'cab'
const LANGUAGE = 'cab-language'

const cookieOf = (request: Request, name: string): string | undefined =>
  new RegExp(`(?:^|;\\s*)${name}=([\\w-]+)`).exec(request.headers.get('cookie') ?? '')?.[1]

export const cabCookie = (token: string): string =>
  `${TOKEN}=${token}; Path=/cab; HttpOnly; SameSite=Strict${token === '' ? '; Max-Age=0' : ''}`
export const languageCookie = (id: CabLanguageId): string =>
  `${LANGUAGE}=${id}; Path=/cab; SameSite=Strict; Max-Age=31536000`

/** The phone's own language, as chosen on it, else as its browser asks for. */
export function cabLanguageOf(request: Request): CabLanguageId {
  const chosen = cookieOf(request, LANGUAGE)
  return (
    cabLanguageIds.find((id) => id === chosen) ?? cabLanguageFor(request.headers.get('accept-language') ?? '')
  )
}

/** What this phone holds of the cab it took. */
export const cabToken = (request: Request): string | undefined => cookieOf(request, TOKEN)

/** Wrong codes by where they came from; a restart forgets them, which gives nobody more than a few tries. */
const attempts = new Map<string, Tries>()
const MOST_PLACES = 1000

export const cabLocked = (place: string): boolean => isLocked(attempts.get(place) ?? noTries, Date.now())
export function wrongCode(place: string): boolean {
  if (attempts.size > MOST_PLACES) attempts.delete(attempts.keys().next().value ?? '')
  const after = afterWrong(attempts.get(place) ?? noTries, Date.now())
  attempts.set(place, after)
  return isLocked(after, Date.now())
}
export const rightCode = (place: string): void => void attempts.delete(place)

/** Where a phone finds this program: on the shop's network where it is served there, else as it was asked for. */
export function phoneAddress(request: Request): { address: string; reachable: boolean } {
  const { origin, hostname, port } = new URL(request.url)
  const loopback = ['localhost', '127.0.0.1', '[::1]'].includes(hostname)
  if (!loopback) return { address: origin, reachable: true }
  const lan = process.env.SIPHON_LAN
  return lan ? { address: `http://${lan}:${port}`, reachable: true } : { address: origin, reachable: false }
}

/** A code as the bay shows it: with the address a phone opens, and that as a picture. */
export async function cabCodeShown(request: Request, code: string) {
  const { address, reachable } = phoneAddress(request)
  return { code, address, reachable, qr: await qrPicture(`${address}/cab?code=${code}`) }
}

/** An address as a picture that a phone's camera reads. */
export const qrPicture = async (address: string): Promise<string> =>
  `data:image/svg+xml,${encodeURIComponent(await QRCode.toString(address, { type: 'svg', margin: 2, errorCorrectionLevel: 'M' }))}`
