// AssemblyScript, compiled to WebAssembly with SIMD by `npm run build:wasm`; called by
// render/still-frames.ts.

/**
 * Bytes of the column table for a plane so many pixels wide: five vectors for each eight pixels.
 */
export function tableBytes(dw: i32): i32 {
  return ((dw + 7) >> 3) * 80
}

/**
 * Bilinear resampling of one 8-bit plane at any sub-pixel position.
 *
 * Columns first, eight at a time: their sixteen neighbours are picked out of one load and blended
 * with weights of
 * 1/128 into 16 bits. A row so made serves the output rows above and below it; rows are blended
 * from two of them.
 *
 * @param step   source pixels an output pixel is wide, at most 1.9: eight and their neighbours must
 *   lie within 16
 * @param table  room for `tableBytes(dw)`
 * @param rows   room for two rows of `dw + 8` u16
 */
export function resample(
  src: usize,
  sw: i32,
  sh: i32,
  dst: usize,
  dw: i32,
  dh: i32,
  x: f64,
  y: f64,
  step: f64,
  table: usize,
  rows: usize,
): void {
  const groups = (dw + 7) >> 3
  makeTable(table, groups, sw, x, step)
  const rowBytes = usize(groups) << 4
  let even = -1
  let odd = -1
  for (let j = 0; j < dh; j++) {
    const at = Math.min(Math.max(y + (f64(j) + 0.5) * step - 0.5, 0), f64(sh - 1))
    const row = min(i32(at), sh - 2)
    for (let r = row; r <= row + 1; r++) {
      if ((r & 1 ? odd : even) == r) continue
      blendColumns(src + usize(r) * usize(sw), rows + (r & 1 ? rowBytes : 0), table, groups)
      if (r & 1) odd = r
      else even = r
    }
    const share = i32((at - f64(row)) * 32768 + 0.5)
    const upper = i16x8.splat(i16(min(32768 - share, 32767)))
    const lower = i16x8.splat(i16(min(share, 32767)))
    const above = rows + (row & 1 ? rowBytes : 0)
    const below = rows + (row & 1 ? 0 : rowBytes)
    const out = dst + usize(j) * usize(dw)
    const half = i16x8.splat(64)
    for (let g = 0; g < groups; g++) {
      const offset = usize(g) << 4
      const sum = i16x8.add(
        i16x8.q15mulr_sat_s(v128.load(above + offset), upper),
        i16x8.q15mulr_sat_s(v128.load(below + offset), lower),
      )
      const pixels = i16x8.shr_u(i16x8.add(sum, half), 7)
      // The last group of a row runs over into the next, which is written after it.
      v128.store64_lane(out + (usize(g) << 3), i8x16.narrow_i16x8_u(pixels, pixels), 0)
    }
  }
}

/**
 * For each eight output columns: where they start, which of 16 bytes are their left and right
 * neighbours, and both weights.
 */
function makeTable(table: usize, groups: i32, sw: i32, x: f64, step: f64): void {
  for (let g = 0; g < groups; g++) {
    const entry = table + usize(g) * 80
    let base = 0
    for (let k = 0; k < 8; k++) {
      const at = Math.min(Math.max(x + (f64((g << 3) + k) + 0.5) * step - 0.5, 0), f64(sw - 1))
      const column = min(i32(at), sw - 2)
      if (k == 0) base = column
      const share = i32((at - f64(column)) * 128 + 0.5)
      store<u8>(entry + 16 + k, u8(column - base))
      store<u8>(entry + 32 + k, u8(column - base + 1))
      store<i16>(entry + 48 + (k << 1), i16(128 - share))
      store<i16>(entry + 64 + (k << 1), i16(share))
    }
    store<i32>(entry, base)
  }
}

function blendColumns(row: usize, out: usize, table: usize, groups: i32): void {
  for (let g = 0; g < groups; g++) {
    const entry = table + usize(g) * 80
    const near = v128.load(row + load<u32>(entry))
    const left = i16x8.extend_low_i8x16_u(i8x16.swizzle(near, v128.load(entry + 16)))
    const right = i16x8.extend_low_i8x16_u(i8x16.swizzle(near, v128.load(entry + 32)))
    v128.store(
      out + (usize(g) << 4),
      i16x8.add(i16x8.mul(left, v128.load(entry + 48)), i16x8.mul(right, v128.load(entry + 64))),
    )
  }
}
