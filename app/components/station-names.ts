import type { Station } from '~core/job/state'

const names: Record<Station, string> = {
  'check-in': 'Check in',
  test: 'Test',
  plan: 'Plan',
  bleed: 'Bleed',
  prove: 'Prove',
  file: 'File',
}

export const stationName = (station: string): string => names[station as Station] ?? station
