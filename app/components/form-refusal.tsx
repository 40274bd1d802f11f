import { Notice } from '~/ui/notice'
/** Why the whole form was not taken, where no single field is at fault. */
export function FormRefusal({ errors }: { errors?: string[] }) {
  if (!errors?.length) return null
  return (
    <Notice role="alert" kind="wrong">
      {errors.join(' ')}
    </Notice>
  )
}
