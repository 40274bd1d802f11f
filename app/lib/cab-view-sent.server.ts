import { data } from 'react-router'
import type { CabView } from '~core/cab/view'
import { cabViewSchema } from '~core/cab/view-schema'

/** What a page says its helper's phone is to show. @throws 400 where it is no such thing */
export async function cabViewSent(request: Request): Promise<CabView> {
  let sent: unknown
  try {
    sent = JSON.parse(await request.text())
  } catch {
    throw data({ sentence: 'Send what the phone is to show, as JSON.' }, { status: 400 })
  }
  const view = cabViewSchema.safeParse(sent)
  if (!view.success) throw data({ sentence: 'That is nothing a helper’s phone could show.' }, { status: 400 })
  return view.data
}
