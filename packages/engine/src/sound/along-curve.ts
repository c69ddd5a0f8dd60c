import type { musicGains } from '@tidy-reel/core/film/sound/mix'

/** The gain curve is asked for every 1.3 ms and followed in straight lines between. */
const CURVE_STEP = 64

type Stereo = readonly [Float32Array, Float32Array]

/**
 * Brings sound to its gains, in place.
 *
 * @param dipped the same with the speech's band taken out; left out where none of it is asked for
 * @param gainsAt of a sample of it
 */
export function alongCurve(
  [left, right]: Stereo,
  dipped: Stereo | undefined,
  gainsAt: (at: number) => ReturnType<typeof musicGains>,
): void {
  for (let from = 0; from < left.length; from += CURVE_STEP) {
    const to = Math.min(left.length, from + CURVE_STEP)
    const [here, there] = [gainsAt(from), gainsAt(from + CURVE_STEP)]
    for (let i = from; i < to; i++) {
      const share = (i - from) / CURVE_STEP
      const a = here.plain + (there.plain - here.plain) * share
      const b = here.dipped + (there.dipped - here.dipped) * share
      left[i] = a * left[i]! + (dipped ? b * dipped[0][i]! : 0)
      right[i] = a * right[i]! + (dipped ? b * dipped[1][i]! : 0)
    }
  }
}
