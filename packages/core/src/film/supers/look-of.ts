import type { DrawnForm } from '../../script/drawn.ts'
import type { SuperLookName } from '../../style/lettering.ts'

/** The look that each kind of super wears. */
export const LOOK_OF: Record<DrawnForm, SuperLookName> = {
  super: 'words',
  point: 'words',
  number: 'figures',
  bars: 'figures',
  share: 'figures',
  years: 'figures',
  list: 'figures',
  change: 'figures',
  quote: 'quote',
  name: 'name',
  key: 'key',
  call: 'call',
  map: 'figures',
  mark: 'words',
  wave: 'words',
}
