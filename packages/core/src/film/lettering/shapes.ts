import { certain } from '../../faults/certain.ts'

/** A shape in pixels from the top left corner of the box around all its points. */
export interface Shape {
  /** Drawing commands of ASS, in eighths of a pixel (`\p4`). */
  path: string
  width: number
  height: number
}

export type Point = readonly [x: number, y: number]
type Step = readonly ['m' | 'l', Point] | readonly ['b', Point, Point, Point]

const pointsOf = ([, ...points]: Step): readonly Point[] => points

/** libass sets a shape by the box around its points, those of its curves included. */
function shapeOf(steps: readonly Step[]): Shape & { x: number; y: number } {
  const points = steps.flatMap(pointsOf)
  const x = Math.min(...points.map(([at]) => at))
  const y = Math.min(...points.map(([, at]) => at))
  const eighths = ([px, py]: Point) => `${Math.round((px - x) * 8)} ${Math.round((py - y) * 8)}`
  return {
    x,
    y,
    path: steps.map((step) => `${step[0]} ${pointsOf(step).map(eighths).join(' ')}`).join(' '),
    width: Math.max(...points.map(([at]) => at)) - x,
    height: Math.max(...points.map(([, at]) => at)) - y,
  }
}

/** A rectangle of so many pixels. */
export const rectangle = (width: number, height: number): Shape =>
  shapeOf([
    ['m', [0, 0]],
    ['l', [width, 0]],
    ['l', [width, height]],
    ['l', [0, height]],
  ])

/**
 * Columns side by side, each as high as its share, around one middle line.
 *
 * @param shares over 0 to 1, from the left
 */
export const columns = (
  shares: readonly number[],
  { step, bar, height }: { step: number; bar: number; height: number },
): Shape & { x: number; y: number } =>
  shapeOf([
    ...shares.flatMap((share, i): Step[] => {
      const left = i * step + (step - bar) / 2
      const half = (share * height) / 2
      const middle = height / 2
      return [
        ['m', [left, middle - half]],
        ['l', [left + bar, middle - half]],
        ['l', [left + bar, middle + half]],
        ['l', [left, middle + half]],
      ]
    }),
  ])

/**
 * A band as thick at each step as its share, around one middle line.
 *
 * @param shares 0 to 1, from the left; two at the least
 * @param size   `least` is how thick it is where there is nothing
 */
export function band(
  shares: readonly number[],
  { step, least, height }: { step: number; least: number; height: number },
): Shape & { x: number; y: number } {
  const half = (share: number) => Math.max(least, share * height) / 2
  const above = shares.map((share, i): Point => [(i + 0.5) * step, height / 2 - half(share)])
  const below = shares.map((share, i): Point => [(i + 0.5) * step, height / 2 + half(share)])
  const [first, ...rest] = [...above, ...below.reverse()]
  return shapeOf([['m', certain(first)], ...rest.map((point): Step => ['l', point])])
}

/** Control points of a quarter circle stand so far along its tangents: error under 0.03 %. */
const QUARTER = 0.5523

/** A disc whose radius is so many pixels. */
export function disc(radius: number): Shape {
  return ring(radius, radius, 1)
}

/**
 * A ring from the top on, clockwise.
 *
 * @param part of the whole ring, over 0 to 1
 * @param width of its stroke, the radius for a disc
 * @returns the shape, and where its box begins in the square around the whole ring
 */
export function ring(
  radius: number,
  width: number,
  part: number,
): Shape & { x: number; y: number } {
  const inner = Math.max(0, radius - width)
  const turn = Math.min(1, Math.max(0.001, part)) * 2 * Math.PI
  // Short arcs: the points of their curves lie hardly outside them.
  const pieces = Math.max(1, Math.ceil(turn / (Math.PI / 8)))
  const at = (angle: number, r: number): Point => [
    radius + r * Math.sin(angle),
    radius - r * Math.cos(angle),
  ]
  const arc = (from: number, to: number, r: number): Step => {
    // The quarter's constant holds for smaller arcs as their share of it.
    const lean = (4 / 3) * Math.tan((to - from) / 4) * r
    const [sx, sy] = at(from, r)
    const [ex, ey] = at(to, r)
    return [
      'b',
      [sx + lean * Math.cos(from), sy + lean * Math.sin(from)],
      [ex - lean * Math.cos(to), ey - lean * Math.sin(to)],
      [ex, ey],
    ]
  }
  const angles = Array.from({ length: pieces + 1 }, (_, i) => (turn * i) / pieces)
  const outward = angles.slice(1).map((to, i) => arc(angles[i] ?? 0, to, radius))
  const back = [...angles].reverse()
  const inward = back.slice(1).map((to, i) => arc(back[i] ?? 0, to, inner))
  return shapeOf([['m', at(0, radius)], ...outward, ['l', at(turn, inner)], ...inward])
}

/**
 * Areas bounded by rings of straight lines.
 *
 * @returns the shape, and where its box begins; undefined for no rings
 */
export function area(
  rings: readonly (readonly Point[])[],
): (Shape & { x: number; y: number }) | undefined {
  const steps = rings.flatMap((points) =>
    points.map((point, i): Step => [i === 0 ? 'm' : 'l', point]),
  )
  return steps.length ? shapeOf(steps) : undefined
}

/** Lines of a width, each a ribbon along its points. @returns undefined for no lines */
export function stroked(lines: readonly (readonly Point[])[], width: number) {
  return area(lines.flatMap((points) => (points.length > 1 ? [ribbon(points, width)] : [])))
}

function ribbon(points: readonly Point[], width: number): Point[] {
  const sides = points.map((point, i): [Point, Point] => {
    const [ax, ay] = points[i - 1] ?? point
    const [bx, by] = points[i + 1] ?? point
    const length = Math.hypot(bx - ax, by - ay) || 1
    const [nx, ny] = [((by - ay) / length) * (width / 2), ((bx - ax) / length) * (width / 2)]
    const [x, y] = point
    return [
      [x + nx, y - ny],
      [x - nx, y + ny],
    ]
  })
  return [...sides.map(([left]) => left), ...sides.map(([, right]) => right).reverse()]
}

/** Where an arrow points. */
export type ArrowWay = 'left' | 'right' | 'up' | 'down'

/** An arrow of so many pixels whose box begins at its own corner. */
export function arrow(length: number, width: number, way: ArrowWay = 'right'): Shape {
  const head = width * 2.2
  const half = width / 2
  const middle = head
  const isBack = way === 'left' || way === 'up'
  const turned = ([x, y]: Point): Point => {
    const along = isBack ? length - x : x
    return way === 'right' || way === 'left' ? [along, y] : [y, along]
  }
  const corner = (x: number, y: number): Point => turned([x, y])
  return shapeOf([
    ['m', corner(0, middle - half)],
    ['l', corner(length - head, middle - half)],
    ['l', corner(length - head, 0)],
    ['l', corner(length, middle)],
    ['l', corner(length - head, 2 * head)],
    ['l', corner(length - head, middle + half)],
    ['l', corner(0, middle + half)],
  ])
}

const corners = (x: number, y: number, width: number, height: number): Point[] => [
  [x, y],
  [x + width, y],
  [x + width, y + height],
  [x, y + height],
]

/** The rim of a rectangle, so many pixels wide, inside its edges. */
export const frameShape = (width: number, height: number, stroke: number): Shape =>
  certain(
    area([
      corners(0, 0, width, height),
      corners(stroke, stroke, width - 2 * stroke, height - 2 * stroke).reverse(),
    ]),
  )

/** Sides of a polygon that stands for a circle: over 600 pixels wide none is longer than 30. */
const SIDES = 64

/** A rectangle with a round hole in it. @param hole its middle and its radii, in the rectangle */
export function pierced(
  width: number,
  height: number,
  hole: { x: number; y: number; across: number; down: number },
): Shape {
  const around = Array.from({ length: SIDES }, (_, i): Point => {
    // Against the way of the rectangle: what is wound both ways is empty.
    const angle = (-2 * Math.PI * i) / SIDES
    return [hole.x + hole.across * Math.cos(angle), hole.y + hole.down * Math.sin(angle)]
  })
  return certain(area([corners(0, 0, width, height), around]))
}

/** A straight stroke between two points, so many pixels wide. */
export function stroke(
  [ax, ay]: Point,
  [bx, by]: Point,
  width: number,
): Shape & { x: number; y: number } {
  const length = Math.hypot(bx - ax, by - ay) || 1
  const [nx, ny] = [((by - ay) / length) * (width / 2), ((bx - ax) / length) * (width / 2)]
  return shapeOf([
    ['m', [ax + nx, ay - ny]],
    ['l', [bx + nx, by - ny]],
    ['l', [bx - nx, by + ny]],
    ['l', [ax - nx, ay + ny]],
  ])
}

/** A rectangle with round corners, all in pixels. */
export function rounded(width: number, height: number, radius: number): Shape {
  const r = Math.min(radius, width / 2, height / 2)
  const k = r * (1 - QUARTER)
  return shapeOf([
    ['m', [r, 0]],
    ['l', [width - r, 0]],
    ['b', [width - k, 0], [width, k], [width, r]],
    ['l', [width, height - r]],
    ['b', [width, height - k], [width - k, height], [width - r, height]],
    ['l', [r, height]],
    ['b', [k, height], [0, height - k], [0, height - r]],
    ['l', [0, r]],
    ['b', [0, k], [k, 0], [r, 0]],
  ])
}
