// AssemblyScript, compiled to WebAssembly with SIMD by `npm run build:wasm`; called by
// render/frame-grader.ts.

/** Cells a side of a table of colours, as `gradeCells` lays them out. */
const SIDE = 32
/** Bytes of a cell: its eight corners of one component, 16 bits each. */
const CELL = 16
/** Bytes of a component's cells. */
const COMPONENT = SIDE * SIDE * SIDE * CELL
/** Weights add up to 512, and values are sixteenths. */
const SHIFT = 13

/**
 * Grades the planes of one 8-bit 4:2:0 frame in place: each component interpolated trilinearly
 * between the eight corners of its cell, luma with the blue and red difference of its block, those
 * with the mean of the block's luma.
 *
 * @param width   of the luma plane, even; so is `height`
 * @param cells   three components of 32³ cells, red difference slowest, then blue, then luma
 * @param weights of the eight corners, 16 bits each, by the lowest three bits of V, U and Y
 */
export function gradePlanes(
  yPlane: usize,
  uPlane: usize,
  vPlane: usize,
  width: i32,
  height: i32,
  cells: usize,
  weights: usize,
): void {
  const half = width >> 1
  for (let j = 0; j < height >> 1; j++) {
    let upper = yPlane + usize(j << 1) * usize(width)
    let lower = upper + usize(width)
    let blue = uPlane + usize(j) * usize(half)
    let red = vPlane + usize(j) * usize(half)
    for (let i = 0; i < half; i++) {
      const u = <i32>load<u8>(blue)
      const v = <i32>load<u8>(red)
      const a = <i32>load<u8>(upper)
      const b = <i32>load<u8>(upper, 1)
      const c = <i32>load<u8>(lower)
      const d = <i32>load<u8>(lower, 1)
      const cell = cells + usize((((v >> 3) << 5) | (u >> 3)) << 5) * CELL
      const weight = weights + usize((((v & 7) << 3) | (u & 7)) << 7)
      const mean = (a + b + c + d + 2) >> 2
      const block = fourOf(
        corners(cell, weight, a),
        corners(cell, weight, b),
        corners(cell, weight, c),
        corners(cell, weight, d),
      )
      v128.store16_lane(upper, block, 0)
      v128.store16_lane(lower, block, 1)
      const colour = twoOf(
        corners(cell + COMPONENT, weight, mean),
        corners(cell + 2 * COMPONENT, weight, mean),
      )
      v128.store8_lane(blue, colour, 0)
      v128.store8_lane(red, colour, 1)
      upper += 2
      lower += 2
      blue++
      red++
    }
  }
}

// @ts-expect-error decorators of AssemblyScript
/** What the corners of a colour's cell count, in four sums that are to be added up. */
@inline
function corners(cell: usize, weight: usize, luma: i32): v128 {
  return i32x4.dot_i16x8_s(
    v128.load(cell + usize((luma >> 3) << 4)),
    v128.load(weight + usize((luma & 7) << 4)),
  )
}

/** Four components of 8 bits, in the lowest four lanes. */
@inline
function fourOf(a: v128, b: v128, c: v128, d: v128): v128 {
  return rounded(paired(paired(a, b), paired(c, d)))
}

@inline
function twoOf(a: v128, b: v128): v128 {
  const pair = paired(a, b)
  return rounded(paired(pair, pair))
}

/** Neighbouring lanes added up: those of the first, then those of the second. */
@inline
function paired(a: v128, b: v128): v128 {
  return i32x4.add(
    i8x16.shuffle(a, b, 0, 1, 2, 3, 8, 9, 10, 11, 16, 17, 18, 19, 24, 25, 26, 27),
    i8x16.shuffle(a, b, 4, 5, 6, 7, 12, 13, 14, 15, 20, 21, 22, 23, 28, 29, 30, 31),
  )
}

@inline
function rounded(sums: v128): v128 {
  const words = i32x4.shr_s(i32x4.add(sums, i32x4.splat(1 << (SHIFT - 1))), SHIFT)
  const halves = i16x8.narrow_i32x4_s(words, words)
  return i8x16.narrow_i16x8_u(halves, halves)
}

/**
 * Darkens one 8-bit plane by a map and lays grain on it, in place.
 *
 * @param rest  what a place without light has: 16 of luma, 128 of a difference
 * @param map   of each place, how much of it is left, 32767 for all; 16 bits
 * @param grain steps of grain, 8 bits with sign; 0 for none. Each row begins at another place of it
 * @param rows  of each row, where in the grain it begins, 32 bits
 */
export function overlayPlane(
  plane: usize,
  width: i32,
  height: i32,
  rest: i32,
  map: usize,
  grain: usize,
  rows: usize,
): void {
  const bottom = i16x8.splat(<i16>rest)
  for (let j = 0; j < height; j++) {
    const row = plane + usize(j) * usize(width)
    const kept = map + (usize(j) * usize(width) << 1)
    const noise = grain ? grain + usize(load<u32>(rows + (usize(j) << 2))) : 0
    let i = 0
    for (; i <= width - 8; i += 8) {
      const light = i16x8.sub(v128.load8x8_u(row + usize(i)), bottom)
      let lit = i16x8.add(
        i16x8.q15mulr_sat_s(light, v128.load(kept + (usize(i) << 1))),
        bottom,
      )
      if (noise) lit = i16x8.add(lit, v128.load8x8_s(noise + usize(i)))
      v128.store64_lane(row + usize(i), i8x16.narrow_i16x8_u(lit, lit), 0)
    }
    for (; i < width; i++) {
      const light = <i32>load<u8>(row + usize(i)) - rest
      const part = <i32>load<i16>(kept + (usize(i) << 1))
      let lit = ((light * part + 0x4000) >> 15) + rest
      if (noise) lit += <i32>load<i8>(noise + usize(i))
      store<u8>(row + usize(i), <u8>min(255, max(0, lit)))
    }
  }
}
