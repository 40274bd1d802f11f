import { useEffect, useRef, useState } from 'react'
import { noPhone, type Phone } from '~core/cab/agree'

const LATE_MS = 9000

/**
 * For the bay, while a code is out: how the phone in the cab stands, and word at once when the job went on there.
 * Silence of the server counts as a lost phone: nobody knows then what it shows.
 */
export function useCabPhone(jobId: string, on: boolean, wentOn: () => void): Phone {
  const [phone, setPhone] = useState(noPhone)
  const tell = useRef(wentOn)
  tell.current = wentOn
  useEffect(() => {
    if (!on) return setPhone(noPhone)
    let stream: EventSource | undefined
    let heardAt = Date.now()
    let known = noPhone
    const open = () => {
      stream?.close()
      stream = new EventSource(`/jobs/${jobId}/stream`)
      stream.addEventListener('went-on', () => tell.current())
      stream.addEventListener('phone', ({ data }) => {
        heardAt = Date.now()
        known = JSON.parse(data) as Phone
        setPhone(known)
      })
    }
    const look = setInterval(() => {
      if (Date.now() - heardAt < LATE_MS) return
      if (known.link !== 'none') setPhone({ ...known, link: 'lost' })
      if (stream?.readyState === EventSource.CLOSED) open()
    }, 1000)
    // A hidden tab holds no stream: a browser has only six of them for one host.
    const seen = () => (document.hidden ? stream?.close() : open())
    open()
    document.addEventListener('visibilitychange', seen)
    return () => {
      stream?.close()
      clearInterval(look)
      document.removeEventListener('visibilitychange', seen)
    }
  }, [jobId, on])
  return phone
}
