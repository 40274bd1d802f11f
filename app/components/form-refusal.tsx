/** Why the whole form was not taken, where no single field is at fault. */
export function FormRefusal({ errors }: { errors?: string[] }) {
  if (!errors?.length) return null
  return (
    <p role="alert" className="fault border-l-8 border-oxide bg-enamel p-3">
      {errors.join(' ')}
    </p>
  )
}
