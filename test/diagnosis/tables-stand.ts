/**
 * Where the simulated vehicle shows something else than the tables say is likely, and why the tables stand: what is seen on
 * the rig does not count there.
 */
export const tablesStand: Record<string, string> = {
  'pump-up air-cylinder':
    'four quick presses move too little air out of a cylinder on the rig; in the trade it improves',
  'pump-up air-unit': 'as in the cylinder',
  'three-efforts hose-soft': 'with an eye good to a millimetre, swelling and a little air fit alike',
  'crack-bleeder line-blocked':
    'a line choked to a tenth hardly lets pressure in on the rig, so that nothing is held',
  'hold-firm line-blocked': 'fluid creeps past the choke as long as it is held',
  'return line-blocked': 'as at the bleeder',
  'bubbles cylinder-no-draw': 'the rig’s cylinder is empty after its first strokes, and moves nothing at all',
  'thumb air-cylinder': 'four strokes clear it on the rig',
  'flow line-blocked': 'choked to a tenth nothing comes',
}
