/** Where something stands: rows from the foot up, as a picture is read. */
export const PLACES = [
  'foot-left',
  'foot',
  'foot-right',
  'left',
  'middle',
  'right',
  'head-left',
  'head',
  'head-right',
] as const
export type Place = (typeof PLACES)[number]
