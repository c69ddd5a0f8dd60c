import {
  integrated,
  loudnessMeter,
  momentary,
  shortTerm,
} from '@tidy-reel/core/film/sound/loudness'
import { truePeakMeter } from '@tidy-reel/core/film/sound/true-peak'

/** How loud it is that is heard, LUFS and dBTP; −Infinity for silence (EBU Tech 3341). */
export interface Metered {
  momentary: number
  shortTerm: number
  integrated: number
  truePeak: number
}

/** Readings a second. */
const READINGS = 5

/**
 * Measures sound as it is played.
 *
 * @param rate Hz
 * @param tell is called with a reading every so often
 */
export function liveMeter(rate: number, tell: (metered: Metered) => void) {
  const every = Math.round(rate / READINGS)
  const piece = [new Float32Array(every), new Float32Array(every)]
  let filled = 0
  let [loudness, peaks] = [loudnessMeter(rate, 2), truePeakMeter(2)]
  return {
    /** The next samples of both channels, or of one that is heard in both. */
    add([left, right = left]: readonly (Float32Array | undefined)[]) {
      if (!left || !right) return
      for (let i = 0; i < left.length; i++) {
        piece[0]![filled] = left[i]!
        piece[1]![filled++] = right[i]!
        if (filled < every) continue
        filled = 0
        loudness.add(piece)
        peaks.add(piece)
        const powers = loudness.powers()
        tell({
          momentary: momentary(powers).at(-1) ?? -Infinity,
          shortTerm: shortTerm(powers).at(-1) ?? -Infinity,
          integrated: integrated(powers),
          truePeak: 20 * Math.log10(peaks.peak()),
        })
      }
    },
    /** From the beginning again. */
    clear() {
      filled = 0
      ;[loudness, peaks] = [loudnessMeter(rate, 2), truePeakMeter(2)]
    },
  }
}
