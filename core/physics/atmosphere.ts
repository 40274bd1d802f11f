/** Standard pressure of the air: what boiling points are stated at and a gas shrinks from. @source ISO 2533 */
export const ATMOSPHERE_KPA = 101.325
