/** What of the package is used; it has no types of its own. */
declare module 'fft.js' {
  export default class FFT {
    /** @param size a power of two, 2 or more */
    constructor(size: number);
    createComplexArray(): number[];
    /** Of real numbers, one after another; fills the first half of `out` with pairs of real and imaginary parts. */
    realTransform(out: number[], data: ArrayLike<number>): void;
  }
}
