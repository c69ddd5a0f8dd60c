import { familyOf } from '../../style/faces.ts'
import type { Lettering } from '../../style/lettering.ts'
import { cueEvents, subtitleStyles } from '../subtitles/cue-events.ts'
import type { Cue } from '../subtitles/cues.ts'
import { frameOf } from './frame.ts'
import { assEvent, type Mark } from './mark.ts'

export interface AssContent {
  width: number
  height: number
  lettering: Lettering
  cues: readonly Cue[]
  marks: readonly Mark[]
}

/**
 * One ASS document with everything written and drawn on the picture.
 *
 * @param content times in samples, sizes in pixels
 * @returns a whole document, without events for no cues and no marks
 */
export function assDocument({ width, height, lettering, cues, marks }: AssContent): string {
  const frame = frameOf(width, height)
  const { subtitle } = lettering
  return [
    '[Script Info]',
    'ScriptType: v4.00+',
    `PlayResX: ${width}`,
    `PlayResY: ${height}`,
    // Soft rims are measured by these; a renderer would take its own size otherwise.
    `LayoutResX: ${width}`,
    `LayoutResY: ${height}`,
    'WrapStyle: 2',
    'ScaledBorderAndShadow: yes',
    'YCbCr Matrix: TV.709',
    '',
    '[V4+ Styles]',
    'Format: Name, Fontname, Fontsize, PrimaryColour, SecondaryColour, OutlineColour, BackColour, Bold, Italic, Underline, StrikeOut, ScaleX, ScaleY, Spacing, Angle, BorderStyle, Outline, Shadow, Alignment, MarginL, MarginR, MarginV, Encoding',
    ...subtitleStyles(subtitle, frame),
    `Style: Drawn,${familyOf(lettering.card.face)},40,&H00FFFFFF,&H00FFFFFF,&H00000000,&H00000000,0,0,0,0,100,100,0,0,1,0,0,7,0,0,0,1`,
    '',
    '[Events]',
    'Format: Layer, Start, End, Style, Name, MarginL, MarginR, MarginV, Effect, Text',
    ...marks.map(assEvent),
    ...cues.flatMap((cue) => cueEvents(cue, subtitle, frame)),
    '',
  ].join('\n')
}
