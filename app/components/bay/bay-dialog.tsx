import type { ComponentProps } from 'react'
import { Button } from '~/ui/button'
import { Notice } from '~/ui/notice'
import { SheetButton } from '~/ui/sheet'
import { backToWork } from './goes-on'
import { OnItsOwn } from './now-panel'

type Props = Omit<ComponentProps<typeof SheetButton>, 'size' | 'onCloseAutoFocus'> & {
  /** Said at the top, before the fields. */
  caution?: string
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
