import { data } from 'react-router'
import { faultLine } from '~core/base/fault'
import { readWith } from '~core/base/zod-faults'
import type { CabView } from '~core/cab/view'
import { cabViewSchema } from '~core/cab/view-schema'

/** What a page says its helper's phone is to show. @throws 400 where it is no such thing */
export async function cabViewSent(request: Request): Promise<CabView> {
  const view = readWith(cabViewSchema, await request.json().catch(() => undefined))
  if (view.ok) return view.value
  const why = view.faults.map(faultLine).join('; ')
  throw data({ sentence: `That is nothing a helper’s phone could show. ${why}` }, { status: 400 })
}
