/** Most of what differs between both channels, of what they have in common, in power. */
const MOST_APART = 0.5

/**
 * Brings channels together that differ more than they agree (sampled pads are recorded so): where
 * only one loudspeaker is heard, what differs is lost. Their sum stays what it was, sample by
 * sample.
 *
 * @param channels of one length
 * @returns channels as they were where they agree enough; both alike where nothing is in common
 */
export function heldTogether([left, right]: readonly [Float32Array, Float32Array]): [
  Float32Array,
  Float32Array,
] {
  let [common, apart] = [0, 0]
  for (let i = 0; i < left.length; i++) {
    common += (left[i]! + right[i]!) ** 2
    apart += (left[i]! - right[i]!) ** 2
  }
  const kept = apart > 0 ? Math.min(1, Math.sqrt((MOST_APART * common) / apart)) : 1
  const side = (i: number) => (kept * (left[i]! - right[i]!)) / 2
  const middle = (i: number) => (left[i]! + right[i]!) / 2
  return [left.map((_, i) => middle(i) + side(i)), left.map((_, i) => middle(i) - side(i))]
}
