/**
 * Chance that comes out the same for the same seed (mulberry32 over an FNV-1a hash of the seed).
 */
export class Random {
  private state: number
  constructor(seed: string) {
    let hash = 0x811c9dc5
    for (let i = 0; i < seed.length; i++) hash = Math.imul(hash ^ seed.charCodeAt(i), 0x01000193)
    this.state = hash >>> 0
  }

  /** A number in [0, 1). */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0
    let t = this.state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }

  between(low: number, high: number): number {
    return low + (high - low) * this.next()
  }

  pick<T>(values: readonly T[]): T {
    return values[Math.floor(this.next() * values.length)]!
  }
}
