import { request } from '@playwright/test'
import { signIn } from '../../test/http/sign-in'

/** What a browser holds after somebody has taken the screen. */
export async function signedInCookie(url: string): Promise<string> {
  const client = await request.newContext()
  await signIn(client, url)
  const { cookies } = await client.storageState()
  await client.dispose()
  return cookies.map(({ name, value }) => `${name}=${value}`).join('; ')
}
