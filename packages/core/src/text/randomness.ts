import { chance } from './hash.ts'

/** Numbers in [0, 1), the same for the same seed (mulberry32 by Tommy Ettinger, public domain). */
export function randomness(seed: string): () => number {
  let state = Math.floor(chance(seed) * 2 ** 32)
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32
  }
}
