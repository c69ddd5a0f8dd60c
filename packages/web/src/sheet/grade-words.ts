import type { GradeLook, GradeNumber } from '@tidy-reel/core/pictures/grade/grade'

/** What the looks are called. */
export const LOOK_WORDS: Record<GradeLook, string> = {
  paper: 'Paper',
  lamplight: 'Lamplight',
  harbour: 'Harbour',
  dusk: 'Dusk',
  slate: 'Slate',
  reel: 'Old reel',
  chalk: 'Chalk',
  ink: 'Ink',
  summer: 'Summer',
  frost: 'Frost',
}

/**
 * What the numbers of a grade are called, in the order they are shown; `Alike` brings a picture to
 * the light of the others.
 */
export const NUMBER_WORDS: readonly (readonly [GradeNumber, string, string?])[] = [
  ['exposure', 'Exposure', 'stops'],
  ['contrast', 'Contrast'],
  ['shadows', 'Shadows'],
  ['lights', 'Lights'],
  ['warmth', 'Warmth'],
  ['tint', 'Tint'],
  ['saturation', 'Saturation'],
  ['fade', 'Fade'],
  ['vignette', 'Vignette'],
  ['grain', 'Grain'],
  ['match', 'Alike'],
]
