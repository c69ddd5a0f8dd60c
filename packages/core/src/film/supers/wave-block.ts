import { LEVELS_A_SECOND } from '../../speech/levels.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import type { Mark } from '../lettering/mark.ts'
import { band, columns } from '../lettering/shapes.ts'
import { type Block, drawnShape, grounded, type Pen, typeOf } from './pen.ts'

/** Bars on each side of the middle one; by eye. */
const ASIDE = 12
/** Of a bar and of the gap after it, in shares of the letters' size. */
const STEP = 0.3
const BAR = 0.6
/** Silence is a point, not nothing. */
const LEAST = 0.08
const STEP_SAMPLES = SAMPLE_RATE / LEVELS_A_SECOND

/**
 * The voice as bars or as a line: loudest now in the middle, running out to both sides as it was
 * before. What takes say of their loudness is drawn, nothing else: silence is a row of points.
 */
export function waveBlock(pen: Pen, kind: 'bars' | 'line'): Block {
  const { size } = typeOf(pen)
  const step = Math.min(size * STEP, pen.widest / (2 * ASIDE + 1))
  const width = step * (2 * ASIDE + 1)
  const height = Math.min(size * 1.5, pen.tallest * 0.5)
  const shapeOf = (levels: readonly number[]) =>
    kind === 'bars'
      ? columns(levels, { step, bar: step * BAR, height })
      : band(levels, { step, least: step * 0.24, height })
  return grounded(pen, {
    width,
    height,
    marks: moments(pen).map(({ at, until, isLast }): Mark => {
      const shape = shapeOf(seenAt(pen, at))
      return drawnShape(
        pen,
        shape,
        { x: shape.x, y: shape.y },
        {
          start: at,
          end: until,
          fade: { inMs: at === pen.start ? 200 : 0, outMs: isLast ? 300 : 0 },
        },
      )
    }),
  })
}

/** Stretches in which the drawing stands still: a level each. */
function moments({ start, end }: Pen) {
  const all: { at: number; until: number; isLast: boolean }[] = []
  for (let at = start; at < end; at += STEP_SAMPLES) {
    const until = Math.min(end, at + STEP_SAMPLES)
    all.push({ at, until, isLast: until === end })
  }
  return all
}

/** How high each bar is, 0 to 1, from the left: the middle one is what is heard at a sample. */
function seenAt({ voice }: Pen, sample: number): number[] {
  const now = voice ? Math.floor((sample - voice.start) / STEP_SAMPLES) : -1
  const heard = Array.from({ length: ASIDE + 1 }, (_, ago) => {
    const level = Number(voice?.levels[now - ago] ?? 0) / 9
    // The farther back, the lower: the wave runs out.
    return Math.max(LEAST, level * (1 - (0.7 * ago) / ASIDE))
  })
  return [...heard.slice(1).reverse(), ...heard]
}
