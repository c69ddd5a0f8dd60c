/** A rectangle in pixels, from the picture's top left corner. */
export interface Rect {
  x: number
  y: number
  width: number
  height: number
}

/** The picture that is written on, in pixels. */
export interface Frame {
  width: number
  height: number
  /** A pixel of a picture whose shorter side has 1,080. */
  unit: number
  isUpright: boolean
  /** Where everything written and drawn stands. */
  safe: Rect
}

/** EBU R 95, from memory: the graphics-safe area leaves 5 % on each side. */
export const SAFE_MARGIN = 0.05

/** A picture of so many pixels, and where on it everything stands. */
export function frameOf(width: number, height: number): Frame {
  const [x, y] = [width * SAFE_MARGIN, height * SAFE_MARGIN]
  return {
    width,
    height,
    unit: Math.min(width, height) / 1080,
    isUpright: height > width,
    safe: { x, y, width: width - 2 * x, height: height - 2 * y },
  }
}

/**
 * A length on the grid that pictures stand on: four pixels of a picture 1,080 high, so that a film
 * of half the size has the same shares, and even, as its planes of colour ask.
 */
export const gridded = (n: number, { unit }: Pick<Frame, 'unit'>, round = Math.round): number =>
  2 * Math.round(2 * unit * round(n / (4 * unit)))

/** Its right edge, in the pixels of its picture. */
export const right = ({ x, width }: Rect) => x + width
/** Its lower edge, in the pixels of its picture. */
export const foot = ({ y, height }: Rect) => y + height

/** A number held within bounds; where they cross, the lower one. */
export const within = (n: number, from: number, to: number): number =>
  Math.max(from, Math.min(n, to))

/** True where two rectangles share more than an edge; never for an empty one. */
export const overlaps = (a: Rect, b: Rect): boolean =>
  a.x < right(b) && b.x < right(a) && a.y < foot(b) && b.y < foot(a)

/** True where a rectangle lies in another, a hundredth of a pixel aside. */
export const isInside = (a: Rect, b: Rect): boolean =>
  a.x >= b.x - 0.01 && a.y >= b.y - 0.01 && right(a) <= right(b) + 0.01 && foot(a) <= foot(b) + 0.01

/** What lies in both. @returns undefined where they share nothing */
export function shared(a: Rect, b: Rect): Rect | undefined {
  if (!overlaps(a, b)) return undefined
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)]
  return {
    x,
    y,
    width: Math.min(right(a), right(b)) - x,
    height: Math.min(foot(a), foot(b)) - y,
  }
}

/** The smallest rectangle around all. @returns undefined for none */
export function around(rects: readonly Rect[]): Rect | undefined {
  if (!rects.length) return undefined
  const x = Math.min(...rects.map((rect) => rect.x))
  const y = Math.min(...rects.map((rect) => rect.y))
  return {
    x,
    y,
    width: Math.max(...rects.map(right)) - x,
    height: Math.max(...rects.map(foot)) - y,
  }
}

/** A rectangle wider and higher by so many pixels on each side. */
export const grown = ({ x, y, width, height }: Rect, by: number): Rect => ({
  x: x - by,
  y: y - by,
  width: width + 2 * by,
  height: height + 2 * by,
})

/** As shares of the picture, 0 to 1: `[x, y, width, height]`. */
export const inShares = (
  { x, y, width, height }: Rect,
  frame: Pick<Frame, 'width' | 'height'>,
): [number, number, number, number] => {
  const share = (n: number, of: number) => Math.round((n / of) * 1e5) / 1e5
  return [
    share(x, frame.width),
    share(y, frame.height),
    share(width, frame.width),
    share(height, frame.height),
  ]
}
