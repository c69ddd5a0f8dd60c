import type { SubtitleStyle } from './lettering.ts'

const LIGHT = '#fcfbf7'
const DARK = '#14181c'

/** White letters with a dark edge, low: what most films are read by. */
export const PLAIN_SUBTITLE: SubtitleStyle = {
  face: 'source-sans',
  size: 58 / 1080,
  colour: LIGHT,
  capitals: false,
  ground: 'edge',
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

/** Ways to set subtitles, to start from. */
export const SUBTITLE_PRESETS = {
  plain: { name: 'Plain', style: PLAIN_SUBTITLE },
  quiet: {
    name: 'Quiet: small and low',
    style: { ...PLAIN_SUBTITLE, size: 44 / 1080, height: 0.05, ground: 'shade', comes: 'fade' },
  },
  book: {
    name: 'Book: a serif on a soft shade',
    style: { ...PLAIN_SUBTITLE, face: 'newsreader', size: 62 / 1080, ground: 'shade' },
  },
  plate: {
    name: 'Plate: on a dark ground',
    style: { ...PLAIN_SUBTITLE, ground: 'plate', strength: 0.78, size: 52 / 1080 },
  },
  strips: {
    name: 'Strips: ink on paper, line by line',
    style: {
      ...PLAIN_SUBTITLE,
      face: 'spectral',
      colour: '#151515',
      ground: 'lines',
      groundColour: '#f7f5f0',
      size: 54 / 1080,
    },
  },
  reading: {
    name: 'Reading along: the spoken word in colour',
    style: { ...PLAIN_SUBTITLE, spoken: 'colour', size: 60 / 1080 },
  },
  marker: {
    name: 'Marker: the spoken word in a box',
    style: {
      ...PLAIN_SUBTITLE,
      face: 'jost',
      size: 60 / 1080,
      spoken: 'box',
      spokenColour: '#b8432f',
      lines: 1,
      words: 'line',
    },
  },
  typed: {
    name: 'Typed: word by word as it is said',
    style: {
      ...PLAIN_SUBTITLE,
      face: 'courier-prime',
      size: 54 / 1080,
      ground: 'plate',
      strength: 0.82,
      comes: 'typed',
    },
  },
  three: {
    name: 'Three words at a time, large',
    style: {
      ...PLAIN_SUBTITLE,
      face: 'archivo-black',
      size: 78 / 1080,
      capitals: true,
      words: 'three',
      lines: 1,
      spoken: 'colour',
      spokenColour: '#ffd60a',
      comes: 'pop',
      height: 0.14,
    },
  },
  single: {
    name: 'Single words, very large',
    style: {
      ...PLAIN_SUBTITLE,
      face: 'league-gothic',
      size: 150 / 1080,
      capitals: true,
      words: 'one',
      lines: 1,
      place: 'middle',
      comes: 'pop',
    },
  },
} as const satisfies Record<string, { name: string; style: SubtitleStyle }>
export type SubtitlePreset = keyof typeof SUBTITLE_PRESETS
