import { Button } from '~/ui/button'
import { Notice } from '~/ui/notice'
import { SheetButton } from '~/ui/sheet'
import { backToWork } from './goes-on'
import { OnItsOwn } from './now-panel'

type Props = {
  /** What the button says that opens it. */
  trigger: string
  title: string
  triggerClass?: string
  /** Said at the top, before the fields. */
  caution?: string
  wide?: boolean
  children: (close: () => void) => React.ReactNode
}

/** A sheet over the bay: large targets, Escape closes it, and the focus goes back to the work. */
export const BayDialog = ({ caution, children, ...sheet }: Props) => (
  <SheetButton size="glove" onCloseAutoFocus={backToWork} {...sheet}>
    {(close) => (
      <>
        {caution && (
          <Notice kind="stop" className="font-bold">
            {caution}
          </Notice>
        )}
        <OnItsOwn>{children(close)}</OnItsOwn>
        <Button size="glove" onClick={close}>
          Not now
        </Button>
      </>
    )}
  </SheetButton>
)
