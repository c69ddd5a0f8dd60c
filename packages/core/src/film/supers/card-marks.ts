import type { Lettering } from '../../style/lettering.ts'
import { type Frame, SAFE_MARGIN } from '../lettering/frame.ts'
import type { Mark } from '../lettering/mark.ts'
import { textLines } from '../lettering/text-lines.ts'
import { LAYERS, lineHeight } from './pen.ts'

/** Words on a plain card; times in samples. */
export interface CardWords {
  text: string
  start: number
  end: number
  fade?: { inMs: number; outMs: number }
}

/** More stands on no card. */
const MOST_LINES = 6

/** The words of a card in its middle, in the ink of the house style's paper. */
export function cardMarks(
  { text, start, end, fade }: CardWords,
  { card, palette }: Lettering,
  frame: Frame,
): Mark[] {
  const type = { face: card.face, size: card.size * 1080 * frame.unit }
  const widest = frame.width * (1 - 2 * SAFE_MARGIN) * 0.94
  const lines = text
    .split('\n')
    .flatMap((line) => textLines(line, type, widest, MOST_LINES))
    .slice(0, MOST_LINES)
  const top = (frame.height - lines.length * lineHeight(type)) / 2
  return lines.map((line, i): Mark => ({
    body: { kind: 'text', text: line, ...type, align: 'centre' },
    x: frame.width / 2,
    y: top + i * lineHeight(type),
    start,
    end,
    layer: LAYERS.letters,
    colour: palette.ink,
    ...(fade ? { fade } : {}),
  }))
}
