import type { SubtitleStyle } from './lettering.ts'

const LIGHT = '#fcfbf7'
const DARK = '#14181c'

/** White letters with a dark edge, low, on a soft shade where the picture needs one. */
export const PLAIN_SUBTITLE: SubtitleStyle = {
  face: 'source-sans',
  size: 58 / 1080,
  colour: LIGHT,
  capitals: false,
  ground: 'fitting',
  groundColour: DARK,
  strength: 1,
  place: 'foot',
  height: 0.06,
  lines: 2,
  words: 'cue',
  spoken: 'none',
  spokenColour: '#f2c14e',
  comes: 'none',
}
