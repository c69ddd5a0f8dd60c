import type { Super } from '@tidy-reel/core/film/supers/supers'

/** What can be written and drawn on a picture, as a person reads it. */
export const KINDS: Record<Super['kind'], string> = {
  heading: 'Heading',
  super: 'Words',
  number: 'Number',
  bars: 'Bars',
  share: 'Share',
  years: 'Years',
  list: 'List',
  change: 'From – to',
  quote: 'Quotation',
  name: 'Name',
  key: 'Key word',
  call: 'Call',
  map: 'Map',
  point: 'Pointer',
  mark: 'Shape',
  wave: 'Voice wave',
}
