import type { Entrance, Palette, SubtitleStyle, SuperLook } from '@tidy-reel/core/style/lettering'

export const ENTRANCE_CHOICES: readonly (readonly [Entrance, string])[] = [
  ['none', 'at once'],
  ['fade', 'faded in'],
  ['rise', 'rising'],
  ['pop', 'with a jump'],
  ['typed', 'typed'],
]
export const SUBTITLE_GROUND_CHOICES: readonly (readonly [SubtitleStyle['ground'], string])[] = [
  ['fitting', 'an edge; a shade if needed'],
  ['edge', 'an edge around letters'],
  ['shade', 'a soft shade'],
  ['lines', 'a box around each line'],
  ['plate', 'one plate'],
  ['none', 'nothing'],
]
export const WORDS_CHOICES: readonly (readonly [SubtitleStyle['words'], string])[] = [
  ['cue', 'a whole subtitle'],
  ['line', 'one line'],
  ['three', 'three words'],
  ['one', 'one word'],
]
export const SPOKEN_CHOICES: readonly (readonly [SubtitleStyle['spoken'], string])[] = [
  ['none', 'not marked'],
  ['colour', 'in a colour'],
  ['box', 'in a box'],
  ['underline', 'underlined'],
  ['size', 'larger'],
]
export const SUPER_GROUND_CHOICES: readonly (readonly [SuperLook['ground'], string])[] = [
  ['plate', 'a plate of paper'],
  ['shade', 'a soft shade'],
  ['edge', 'an edge around letters'],
]
export const PALETTE_FIELDS: readonly (readonly [keyof Palette, string])[] = [
  ['light', 'Letters on pictures'],
  ['shade', 'Shade behind them'],
  ['paper', 'Plates and cards'],
  ['ink', 'Ink on these'],
  ['accent', 'What is seen first'],
]
