/**
 * The symmetric positive definite matrix of a step, C + a K, factored as L Lt within its band (Cholesky; Golub and Van Loan,
 * Matrix Computations, band algorithms). K is what flows between neighbours; the band is one row of the grid wide.
 */
export class Banded {
  readonly size: number;
  readonly band: number;
  /**
   * Of each row its entries from `band` before the diagonal to the diagonal; nothing stands before the first column. Of the
   * diagonal its inverse is kept.
   */
  readonly #l: Float64Array;
  /** What is solved for, with as many zeros before it as the band is wide, so that no row asks where it begins. */
  readonly #x: Float64Array;

  constructor(size: number, band: number) {
    this.size = size;
    this.band = band;
    this.#l = new Float64Array(size * (band + 1));
    this.#x = new Float64Array(size + band);
  }
  /**
   * @param diagonal of each row
   * @param before of each row what ties it to the row before it; of the first nothing
   * @param below of each row what ties it to the row one band before it
   */
  factor(diagonal: Float64Array, before: Float64Array, below: Float64Array): void {
    const [n, b, l] = [this.size, this.band, this.#l];
    const w = b + 1;
    l.fill(0);
    for (let i = 0; i < n; i++) {
      l[i * w + b] = diagonal[i]!;
      if (i >= 1) l[i * w + b - 1]! += before[i]!;
      if (i >= b) l[i * w]! += below[i]!;
    }
    for (let i = 0; i < n; i++) {
      const first = Math.max(0, i - b);
      const row = i * w + b - i;
      for (let j = first; j <= i; j++) {
        const other = j * w + b - j;
        let sum = l[row + j]!;
        for (let k = Math.max(first, j - b); k < j; k++) sum -= l[row + k]! * l[other + k]!;
        l[row + j] = j === i ? 1 / Math.sqrt(sum) : sum * l[other + j]!;
      }
    }
  }
  /** Solves in place. */
  solve(y: Float64Array): void {
    const n = this.size;
    const b = this.band;
    const l = this.#l;
    const x = this.#x;
    for (let i = 0, row = 0; i < n; i++, row += b + 1) {
      let sum = y[i]!;
      for (let k = 0; k < b; k++) sum -= l[row + k]! * x[i + k]!;
      x[i + b] = sum * l[row + b]!;
    }
    for (let i = n - 1, row = i * (b + 1); i >= 0; i--, row -= b + 1) {
      const value = x[i + b]! * l[row + b]!;
      y[i] = value;
      for (let k = 0; k < b; k++) x[i + k]! -= l[row + k]! * value;
    }
    // what ran into the zeros
    x.fill(0, 0, b);
  }
}
