declare module 'fft.js' {
  /** Radix-4 transform of a size that is a power of two. */
  export default class FFT {
    constructor(size: number)
    createComplexArray(): number[]
    /** Of real numbers; fills the first half of `out`, real and imaginary parts in turn. */
    realTransform(out: number[], input: ArrayLike<number>): void
  }
}
