import * as Comlink from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { Finder, FinderAnswer } from '~/client/workers/diagnosis'
import type { Case } from '~core/diagnosis/request'

/** What is known by now; `failed` where this browser could not work it out, `stale` while a newer answer is still being worked in. */
export type Worked = { answer?: FinderAnswer; stale: boolean; failed: boolean }

/** A case worked out in a worker that lives as long as the page: the last answer stays until the next is there. */
export function useDiagnosis(of: Case | undefined): Worked {
  const worker = useRef<{ worker: Worker; finder: Comlink.Remote<Finder> }>(undefined)
  const [worked, setWorked] = useState<{ key: string; answer?: FinderAnswer }>()
  const key = of ? JSON.stringify(of) : ''
  useEffect(() => () => worker.current?.worker.terminate(), [])
  useEffect(() => {
    if (key === '') return
    if (!worker.current) {
      const made = new Worker(new URL('../../client/workers/diagnosis.ts', import.meta.url), {
        type: 'module',
      })
      worker.current = { worker: made, finder: Comlink.wrap<Finder>(made) }
    }
    let wanted = true
    worker.current.finder.diagnose(JSON.parse(key)).then(
      (answer) => wanted && setWorked({ key, answer }),
      () => wanted && setWorked({ key }),
    )
    return () => {
      wanted = false
    }
  }, [key])
  const here = worked?.key === key
  return {
    answer: key === '' ? undefined : worked?.answer,
    stale: !here,
    failed: here && worked.answer === undefined,
  }
}
