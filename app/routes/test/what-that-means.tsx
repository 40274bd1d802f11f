import { useParams } from 'react-router'
import { Reasons } from '~/components/reasons'
import { useSay } from '~/lib/say'
import { LinkButton } from '~/ui/button'
import { Notice } from '~/ui/notice'
import { Panel } from '~/ui/panel'
import { colourClue, wrongFluidColours } from '~core/fluid/specs/colour'
import type { CheckIn } from '~core/job/events'
import { airUnasked } from '~core/job/events/checked-in'
import { pistonsHome, pistonsUpFact } from '~core/plan/pistons-home'
import { decideScope } from '~core/plan/scope/scope'
import { levelDrop } from '~core/vehicle/level-drop'
import type { Vehicle } from '~core/vehicle/schema'

/** What the answers so far mean, at once: level against wear, suspicion, and how far the bleed goes. */
export function WhatThatMeans({
  vehicle,
  draft,
  scopeSchool,
}: {
  vehicle: Vehicle
  draft?: CheckIn
  scopeSchool: 'local' | 'whole'
}) {
  const { jobId } = useParams()
  const level = levelDrop(vehicle, draft?.work.padWearMm ?? {}, draft?.levelMl)
  const scope = draft && decideScope(vehicle, draft.work, scopeSchool)
  const say = useSay()
  const bleeders = scope?.value.bleeders.map(({ bleeder }) => bleeder.id) ?? []
  return (
    <Panel className="grid gap-3" aria-live="polite">
      <h2>What that means</h2>
      {draft && wrongFluidColours.has(draft.colour) && (
        <Notice kind="stop" className="font-bold">
          {say(colourClue(draft.colour))}
        </Notice>
      )}
      {draft && airUnasked(vehicle, draft).length > 0 && (
        <Notice kind="stop" className="font-bold">
          Below MIN. Did it run dry, or did the ports stay covered? Say so under “Did it run dry?”: if air
          went in, the cylinder is bled too.
        </Notice>
      )}
      <Reasons reasons={level.reasons} />
      {draft &&
        pistonsHome({ vehicle, work: draft.work }).map((home) => (
          <Notice key={home.reservoir.id}>{say(pistonsUpFact({ vehicle }, home))}</Notice>
        ))}
      {level.value.explained === 'more-than-wear' && jobId !== undefined && (
        <LinkButton
          to={`/jobs/${jobId}/find?complaint=low-level&found=wear-sum.does-not`}
          className="justify-self-start"
        >
          Find where it went
        </LinkButton>
      )}
      {scope && (
        <>
          <p className="font-bold">
            {scope.value.cylinder !== 'none' && 'Master cylinder first, then '}
            {bleeders.length === 0 ? 'no bleeder in reach' : `bleeders ${bleeders.join(', ')}`}
            {scope.value.unit && ', with the unit’s own cycles'}
          </p>
          <Reasons reasons={scope.reasons} />
        </>
      )}
    </Panel>
  )
}
