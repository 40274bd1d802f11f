import type { StageKind } from '~core/plan/answer'

/** What a person calls a stage. */
export const stageNames: Record<StageKind, string> = {
  'reservoir-exchange': 'Exchange the reservoir’s fluid',
  'wipe-reservoir': 'Empty and wipe the reservoir',
  'slow-fill': 'Fill slowly',
  'bench-bleed': 'Bleed the cylinder on the bench',
  'port-bleed': 'Bleed the cylinder at its ports',
  bleed: 'Bleed',
  'control-unit': 'Control unit’s routine',
  'leak-check': 'Look for leaks',
  wait: 'Let the air rise',
  prove: 'Prove it',
}
