/** Invented people of the invented shop, with PINs anybody may know. */
export const demoPeople = [
  { name: 'Una Brack', pin: '4107' },
  { name: 'Osk Teller', pin: '2816' },
  { name: 'Ilse Marrow', pin: '3095' },
] as const
