/** Below, both channels stay as they are: a bass that wanders is felt, not heard as wide. */
const FROM_HZ = 250
const DELAY_SECONDS = 0.011
/** Of the middle, in each side. */
const SHARE = 0.35

/**
 * Sound that is nearly the same in both channels, made wide: what is above the bass comes once
 * more, 11 ms later, to one side and turned over to the other. Both channels added up are what they
 * were, so that nothing is lost where only one is heard (after Lauridsen, 1954, from memory).
 *
 * @param channels of one length
 */
export function widened(
  [left, right]: readonly [Float32Array, Float32Array],
  rate: number,
): [Float32Array, Float32Array] {
  const length = left.length
  const out: [Float32Array, Float32Array] = [new Float32Array(length), new Float32Array(length)]
  const delay = Math.round(DELAY_SECONDS * rate)
  const step = 1 - Math.exp((-2 * Math.PI * FROM_HZ) / rate)
  let low = 0
  for (let i = 0; i < length; i++) {
    const middle = i < delay ? 0 : (left[i - delay]! + right[i - delay]!) / 2
    low += step * (middle - low)
    const side = SHARE * (middle - low)
    out[0][i] = left[i]! + side
    out[1][i] = right[i]! - side
  }
  return out
}
