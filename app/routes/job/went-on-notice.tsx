import { Button } from '~/ui/button'
import { Notice } from '~/ui/notice'
/** Somebody else went on with the job while something is typed here: nothing typed is lost by it. */
export function WentOnNotice({ by, onLetGo }: { by?: string; onLetGo: () => void }) {
  return (
    <Notice role="status" kind="mind" className="mt-3 flex flex-wrap items-center gap-3">
      <p className="min-w-0 flex-1 basis-80">
        <strong>{by ?? 'Somebody'} went on with this job at another screen.</strong> What you typed is still
        here; sent, it counts after theirs.
      </p>
      <Button onClick={onLetGo}>Drop what I typed, show theirs</Button>
    </Notice>
  )
}
