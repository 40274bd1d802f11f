/** One good input for every calculator: where a test or a page begins. */
export const examples: Record<string, Record<string, unknown>> = {
  viscosity: { spec: 'DOT 4', tempC: 20 },
  'boiling-point': { dryC: 230, wetC: 155, waterPct: 2 },
  'water-from-boiling': { dryC: 230, wetC: 155, boilingC: 180 },
  flow: {
    segments: [{ lengthM: 4.5, boreMm: 3.34 }],
    pressureKPa: 103.42,
    headM: 0,
    mm2PerS: 15.5,
    densityKgM3: 1060,
  },
  restriction: {
    segments: [
      { lengthM: 4.1, boreMm: 3.34 },
      { lengthM: 0.4, boreMm: 3.2 },
    ],
    pressureKPa: 100,
    mm2PerS: 15.5,
    densityKgM3: 1060,
    mlPerMin: 120,
  },
  purge: { volumeMl: 80, tanks: 3, targetOldPct: 5 },
  'trapped-air': { boreMm: 23.8, pedalRatio: 4, extraTravelMm: 9, pressureKPa: 4000 },
  'bubble-rise': { bubbleMm: 0.2, depthMm: 60, mm2PerS: 15.5 },
  'bubble-sticks': { boreMm: 3.34, densityKgM3: 1060, surfaceTensionNM: 0.035 },
  'top-up': { usableMl: 160, mlPerStroke: 7.5 },
  'wear-drop': { pistons: [{ diameterMm: 54, count: 1 }], wearMm: 10 },
  'moisture-verdict': { spec: 'DOT 4', reading: { kind: 'water-pct', value: 2.5, at: 'reservoir' } },
  'moisture-forecast': {
    readings: [
      { date: '2024-04-01', waterPct: 0.4 },
      { date: '2025-04-01', waterPct: 1.6 },
      { date: '2026-04-01', waterPct: 2.6 },
    ],
    limitPct: 3,
    today: '2026-06-01',
  },
}
