import type { APIRequestContext } from '@playwright/test'
import { demoPeople } from '../../demo/people'
import { DemoServer } from './server'

/** The ids of the demo's people, from the picker as anybody sees it. */
export async function personId(request: APIRequestContext, url: string, name: string): Promise<string> {
  const html = await (await request.get(`${url}/who`)).text()
  const [, id] = new RegExp(`value="([A-Za-z0-9]+)"[^>]*/?>\\s*<span[^>]*>${name}`).exec(html) ?? []
  if (!id) throw new Error(`${name} is not in the picker`)
  return id
}

/** Take a screen as somebody of the demo, with the PIN that is in the demo's own list. */
export async function signIn(request: APIRequestContext, url: string, name = 'Una Brack'): Promise<void> {
  const pin = DemoServer.behind(url)?.newPinOf(name) ?? demoPeople.find((each) => each.name === name)?.pin
  const answer = await request.post(`${url}/who`, {
    headers: { Origin: url },
    form: { person: await personId(request, url, name), pin: pin ?? '', to: '/' },
    maxRedirects: 0,
  })
  if (answer.status() !== 302) throw new Error(`${name} was not let in: ${answer.status()}`)
}
