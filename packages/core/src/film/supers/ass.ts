import { plainLines } from '../../text/one-line.ts'
import { clockParts } from '../../time/time.ts'
import type { Cue } from '../subtitles/cues.ts'
import type { Super } from './supers.ts'

/** Families as the font files name themselves inside; libass finds them by no other name. */
export const FONTS = {
  sans: 'Source Sans 3 ExtraLight SemiBold',
  serif: 'Newsreader 16pt 16pt Medium',
}

const two = (n: number) => String(n).padStart(2, '0')

/**
 * `H:MM:SS.cc`, hundredths, as ASS wants it.
 *
 * @param samples from the film's start, rounded to hundredths of a second
 */
export function assTime(samples: number): string {
  const { hours, minutes, seconds, milliseconds } = clockParts(Math.max(0, samples))
  return `${hours}:${two(minutes)}:${two(seconds)}.${two(Math.min(99, Math.round(milliseconds / 10)))}`
}

/**
 * Text that libass shows as it stands: no override block can come from a script; a line break stays
 * one.
 *
 * @returns one line: its breaks as ASS writes them, braces made harmless
 */
export const assText = (text: string) =>
  plainLines(text)
    .replace(/\\/g, '\u29f5')
    .replace(/\{/g, '\u2774')
    .replace(/\}/g, '\u2775')
    .replace(/\n/g, '\\N')

/** Height kept for a line against its size, which in ASS is its height: some room beside. */
const LINE = 1.3

export interface AssContent {
  width: number
  height: number
  cues: readonly Cue[]
  supers: readonly Super[]
}

/**
 * One ASS document with everything written on the picture.
 *
 * Sizes follow the picture's shorter side; margins are the graphics-safe 5 % (EBU R 95, from
 * memory); subtitles are white with a dark edge and a soft dark shade behind, over 4.5 : 1 on any
 * picture.
 *
 * @param content times in samples, sizes in pixels
 * @returns a whole document, without events for no cues and no supers
 */
export function assDocument({ width, height, cues, supers }: AssContent): string {
  const unit = Math.min(width, height) / 1080
  const px = (n: number) => Math.round(n * unit * 10) / 10
  const side = Math.round(width * 0.06)
  const isUpright = height > width
  const foot = Math.round(height * (isUpright ? 0.16 : 0.06))
  const said = isUpright ? 62 : 58
  // A heading stands above two lines of subtitle, which an upright film sets higher.
  const above = isUpright ? foot + Math.ceil(2 * LINE * said * unit) : Math.round(height * 0.2)
  const style = (
    name: string,
    font: string,
    size: number,
    colours: string,
    edge: string,
    align: number,
    bottom: number,
  ) =>
    `Style: ${name},${font},${px(size)},${colours},0,0,0,0,100,100,0,0,1,${edge},${align},${side},${side},${bottom},1`
  const light = '&H00F7FBFC,&H00F7FBFC,&H30241A14,&H80140F0C'
  return [
    '[Script Info]',
    'ScriptType: v4.00+',
    `PlayResX: ${width}`,
    `PlayResY: ${height}`,
    'WrapStyle: 2',
    'ScaledBorderAndShadow: yes',
    'YCbCr Matrix: TV.709',
    '',
    '[V4+ Styles]',
    'Format: Name, Fontname, Fontsize, PrimaryColour, SecondaryColour, OutlineColour, BackColour, Bold, Italic, Underline, StrikeOut, ScaleX, ScaleY, Spacing, Angle, BorderStyle, Outline, Shadow, Alignment, MarginL, MarginR, MarginV, Encoding',
    style('Subtitle', FONTS.sans, said, light, `${px(2.6)},${px(1.4)}`, 2, foot),
    style('Chapter', FONTS.serif, 92, light, `${px(2)},${px(1)}`, 1, above),
    style('Label', FONTS.serif, 78, light, `${px(2)},${px(1)}`, 7, Math.round(height * 0.08)),
    style(
      'Card',
      FONTS.serif,
      76,
      '&H002B2520,&H002B2520,&H00E6F0F4,&H00000000',
      '0,0',
      5,
      Math.round(height * 0.06),
    ),
    '',
    '[Events]',
    'Format: Layer, Start, End, Style, Name, MarginL, MarginR, MarginV, Effect, Text',
    ...supers.map((s) =>
      event(
        1,
        s.start,
        s.end,
        s.style,
        `${s.fade ? `{\\fad(${s.fade.inMs},${s.fade.outMs})}` : ''}${assText(s.text)}`,
      ),
    ),
    ...cues.map((cue) =>
      event(2, cue.start, cue.end, 'Subtitle', cue.lines.map(assText).join('\\N')),
    ),
    '',
  ].join('\n')
}

const event = (layer: number, start: number, end: number, style: string, text: string) =>
  `Dialogue: ${layer},${assTime(start)},${assTime(end)},${style},,0,0,0,,${text}`
