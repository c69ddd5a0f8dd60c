import type { SubtitleStyle } from '../../style/lettering.ts'
import type { Frame } from '../lettering/frame.ts'
import type { Mark } from '../lettering/mark.ts'
import { rectangle } from '../lettering/shapes.ts'
import { LAYERS } from '../supers/pen.ts'
import { cueBox, cueStyle, groundOpacity, subtitleType } from './cue-place.ts'
import type { Cue } from './cues.ts'

/** How opaque the shade behind a subtitle is: as the style has it, and no less than it needs. */
const shadeOpacity = ({ legibility }: Cue, style: SubtitleStyle): number =>
  style.ground === 'shade' || style.ground === 'fitting'
    ? (legibility?.shade ?? groundOpacity(style))
    : 0

/** What a soft rim leaves of a shade at the edge of the letters, where it must still be enough. */
const AT_THE_EDGE = 0.95

/** The soft grounds of a film's subtitles, of those that need one. */
export const cueShades = (cues: readonly Cue[], style: SubtitleStyle, frame: Frame): Mark[] =>
  cues.flatMap((cue) => cueShade(cue, style, frame) ?? [])

/** A soft shade behind all lines, without a rim; undefined for a subtitle that needs none. */
export function cueShade(cue: Cue, common: SubtitleStyle, frame: Frame): Mark | undefined {
  const style = cueStyle(cue, common)
  const opacity = shadeOpacity(cue, style)
  if (!opacity) return undefined
  const { size } = subtitleType(style, frame)
  const box = cueBox(cue, style, frame)
  const reach = size * 0.55
  return {
    body: { kind: 'shape', shape: rectangle(box.width + 2 * reach, box.height + 2 * reach) },
    x: box.x - reach,
    y: box.y - reach,
    start: cue.start,
    end: cue.end,
    layer: LAYERS.ground,
    colour: style.groundColour,
    opacity: Math.min(1, opacity / AT_THE_EDGE),
    blur: size * 0.4,
    isGround: true,
    ...(style.comes === 'fade' ? { fade: { inMs: 160, outMs: 120 } } : {}),
  }
}
