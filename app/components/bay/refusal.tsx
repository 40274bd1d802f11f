import { Notice } from '~/ui/notice'
/** Why the last act was not taken. */
export function Refusal({ text }: { text: string }) {
  return (
    <Notice role="alert" kind="wrong" className="text-xl">
      {text}
    </Notice>
  )
}
