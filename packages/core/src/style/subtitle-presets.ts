import type { SubtitleStyle } from './lettering.ts'
import { PLAIN_SUBTITLE } from './plain-subtitle.ts'

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
