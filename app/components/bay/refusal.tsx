/** Why the last act was not taken. */
export function Refusal({ text }: { text: string }) {
  return (
    <p role="alert" className="fault border-l-8 border-oxide bg-enamel p-3 text-xl">
      {text}
    </p>
  )
}
