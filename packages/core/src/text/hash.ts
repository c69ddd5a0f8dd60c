const OFFSET = 0xcbf29ce484222325n
const PRIME = 0x100000001b3n

/**
 * FNV-1a, 64 bits, as 16 hex digits: a short name for a value; not for safety.
 *
 * @returns 16 hex digits; the same for the same text on every machine
 */
export function shortHash(text: string): string {
  let hash = OFFSET
  for (const byte of new TextEncoder().encode(text))
    hash = BigInt.asUintN(64, (hash ^ BigInt(byte)) * PRIME)
  return hash.toString(16).padStart(16, '0')
}

/**
 * A number in [0, 1) that depends on nothing but the seed: chance that comes out the same each
 * time.
 */
export function chance(seed: string): number {
  return parseInt(shortHash(seed).slice(0, 12), 16) / 2 ** 48
}
