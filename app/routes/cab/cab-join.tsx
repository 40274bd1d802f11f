import { data, Form, redirect } from 'react-router'
import { Button } from '~/ui/button'
import { CAB_CODE_LENGTH } from '~core/cab/code'
import { cabCookie, cabLocked, rightCode, wrongCode } from '~server/http/cab.server'
import { cameFrom, database } from '~server/http/context.server'
import { jobChanged, phoneBeat } from '~server/live/hub.server'
import { joinRoom, roomKey } from '~server/live/practice-rooms.server'
import { joinCab } from '~server/store/cab.server'
import type { Route } from './+types/cab-join'

const LOCKED = 'Too many wrong codes from here. Wait five minutes, then read the code again.'

export async function loader({ request }: Route.LoaderArgs) {
  return { code: new URL(request.url).searchParams.get('code') ?? '' }
}

export async function action({ request, context }: Route.ActionArgs) {
  const from = context.get(cameFrom)
  const typed = String((await request.formData()).get('code') ?? '')
  if (cabLocked(from)) return data({ fault: LOCKED, typed }, { status: 429 })
  const practice = joinRoom(typed)
  if (practice) {
    rightCode(from)
    return linked(roomKey(practice.room.id), practice.token)
  }
  const joined = await joinCab(context.get(database), typed)
  if (!joined) {
    const locked = wrongCode(from)
    const fault = locked
      ? LOCKED
      : 'That code links to no job. Read it again at the bay: six signs. It works once, and for ten minutes.'
    return data({ fault, typed }, { status: locked ? 429 : 404 })
  }
  rightCode(from)
  return linked(joined.jobId, joined.token)
}

function linked(key: string, token: string): Response {
  // Whoever held this cab before is told that they no longer do.
  jobChanged(key)
  phoneBeat(key, { dark: false, shows: 0 })
  return redirect('/cab/screen', { headers: { 'Set-Cookie': cabCookie(token) } })
}

/** Where the helper's phone comes in: by the picture it is one tap, by the code six signs. */
export default function CabJoin({ loaderData: { code }, actionData }: Route.ComponentProps) {
  return (
    <main className="mx-auto grid min-h-dvh max-w-md content-center gap-5 p-5">
      <title>Cab · Ruddy Siphon</title>
      <h1 className="text-3xl">In the cab</h1>
      <Form method="post" className="grid gap-4">
        <label>
          <span className="field-label text-xl">Code from the bay</span>
          <input
            name="code"
            defaultValue={actionData?.typed ?? code}
            maxLength={CAB_CODE_LENGTH + 3}
            autoComplete="off"
            autoCapitalize="characters"
            className="input min-h-[88px] text-center font-mono text-4xl tracking-[0.3em] uppercase"
            aria-invalid={actionData?.fault ? true : undefined}
          />
        </label>
        {actionData?.fault && (
          <p role="alert" className="fault text-lg">
            {actionData.fault}
          </p>
        )}
        <Button type="submit" main size="call">
          Link this phone
        </Button>
      </Form>
      <p className="text-quiet">
        It can say what the cab does for this one job, and nothing else. It ends with the job.
      </p>
    </main>
  )
}
