/** Red, green, blue, 0 to 255. */
export type Rgb = readonly [number, number, number]

export const rgb = (hex: string): Rgb =>
  [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as unknown as Rgb

/** `a` at 0, `b` at 1. */
export function mix(a: string, b: string, share: number): string {
  const [left, right] = [rgb(a), rgb(b)]
  return `#${left
    .map((v, i) =>
      Math.round(v + (right[i]! - v) * share)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`
}

export const alpha = (hex: string, opacity: number) => `rgba(${rgb(hex).join(',')},${opacity})`
export const darker = (hex: string, share: number) => mix(hex, '#0a0c14', share)
export const lighter = (hex: string, share: number) => mix(hex, '#fff8ea', share)
