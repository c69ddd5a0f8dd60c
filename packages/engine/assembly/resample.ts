// AssemblyScript, compiled to WebAssembly with SIMD by `npm run build:wasm`; called by render/still-frames.ts.

/**
 * Bilinear resampling of one 8-bit plane at any sub-pixel position: rows are blended eight pixels at a time into
 * 16-bit sums, then columns are blended from those.
 *
 * @param table  room for `dw` pairs of i32: source column and its weight of 256
 * @param sums   room for `sw + 16` u16
 */
export function resample(
  src: usize, sw: i32, sh: i32, dst: usize, dw: i32, dh: i32, x: f64, y: f64, step: f64, table: usize, sums: usize,
): void {
  for (let i = 0; i < dw; i++) {
    const at = Math.min(Math.max(x + (f64(i) + 0.5) * step - 0.5, 0), f64(sw - 1))
    const column = min(i32(at), sw - 2)
    store<i32>(table + (i << 3), column)
    store<i32>(table + (i << 3) + 4, i32((at - f64(column)) * 256 + 0.5))
  }
  const first = load<i32>(table) & ~7
  const last = load<i32>(table + ((dw - 1) << 3)) + 2
  for (let j = 0; j < dh; j++) {
    const at = Math.min(Math.max(y + (f64(j) + 0.5) * step - 0.5, 0), f64(sh - 1))
    const row = min(i32(at), sh - 2)
    const weight = i32((at - f64(row)) * 256 + 0.5)
    const low = i16x8.splat(i16(weight))
    const high = i16x8.splat(i16(256 - weight))
    const upper = src + usize(row) * usize(sw)
    for (let i = first; i < last; i += 8) {
      const a = v128.load_ext<u8>(upper + i)
      const b = v128.load_ext<u8>(upper + sw + i)
      v128.store(sums + (i << 1), i16x8.add(i16x8.mul(a, high), i16x8.mul(b, low)))
    }
    const out = dst + usize(j) * usize(dw)
    for (let i = 0; i < dw; i++) {
      const column = load<i32>(table + (i << 3))
      const share = load<i32>(table + (i << 3) + 4)
      const left = <u32>load<u16>(sums + (column << 1))
      const right = <u32>load<u16>(sums + (column << 1) + 2)
      store<u8>(out + i, u8((left * u32(256 - share) + right * u32(share) + 32768) >> 16))
    }
  }
}
