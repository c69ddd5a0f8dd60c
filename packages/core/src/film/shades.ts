import type { Lettering } from '../style/lettering.ts'
import type { Frame } from './lettering/frame.ts'
import type { Mark } from './lettering/mark.ts'
import type { SoftShade } from './soft-shade.ts'
import { cueShades } from './subtitles/cue-shade.ts'
import type { Cue } from './subtitles/cues.ts'

/** What is written on a film, parted by who draws it. */
export interface PartedLetters {
  /** Drawn by libass. */
  marks: Mark[]
  shades: SoftShade[]
}

/** Parts soft grounds from what is drawn by libass. */
export function partedLetters(
  {
    cues,
    supers,
    lettering,
  }: {
    cues: readonly Cue[]
    supers: readonly { marks: readonly Mark[] }[]
    lettering: Pick<Lettering, 'subtitle'>
  },
  frame: Frame,
): PartedLetters {
  const drawn = supers.flatMap(({ marks }) => marks)
  const grounds = [
    ...drawn.filter(({ isGround }) => isGround),
    ...cueShades(cues, lettering.subtitle, frame),
  ]
  return { marks: drawn.filter(({ isGround }) => !isGround), shades: grounds.map(shadeOf) }
}

function shadeOf({ x, y, body, blur = 0, colour, opacity = 1, start, end, fade }: Mark): SoftShade {
  const { width, height } = body.kind === 'shape' ? body.shape : { width: 0, height: 0 }
  const box = { x, y, width, height }
  return { box, blur, colour, opacity, start, end, fade: fade ?? { inMs: 0, outMs: 0 } }
}
