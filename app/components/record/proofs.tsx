import { useSay } from '~/lib/say'
import { checksFor, proofFact } from '~core/job/proofs/checks'
import type { JobState } from '~core/job/state'

/** Every check this job needed, with its measure and limit; what was not checked says so. */
export function Proofs({ state }: { state: JobState }) {
  const say = useSay()
  return (
    <section>
      <h2 className="mb-1">Proof</h2>
      <ul className="grid gap-x-6 sm:grid-cols-2 print:grid-cols-2">
        {checksFor(state).map(({ id, measure }) => {
          const proof = state.proofs[id]
          return (
            <li key={id} className="flex gap-2 border-b border-rule">
              <strong>{proof === undefined ? '·' : proof.passed ? '✓' : '✗'}</strong>
              <span>
                {say(proofFact(id))}
                {measure &&
                  proof?.value !== undefined &&
                  `: ${proof.value} ${measure.unit} (at most ${measure.max})`}
                {proof === undefined ? ', not checked' : proof.passed ? '' : ', FAILED'}
                {proof?.remedy && `; failed before, then: ${proof.remedy}`}
              </span>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
