import { regions } from './touch';

/** A picture of a camera: red, green, blue and a fourth value for each point, row by row, 0 to 255, as a canvas gives it. */
export interface Picture {
  width: number;
  height: number;
  data: ArrayLike<number>;
}
export interface PictureFigures {
  /** Root of the mean squared gradient over the mean brightness: falls as a picture blurs. */
  sharpness: number;
  /** Mean brightness, 0 to 1. */
  brightness: number;
  /** How far red, green and blue lie apart: greatest over least mean; 1 is grey. */
  cast: number;
  /** Part of its points that are as dark, or as bright, as they can be. */
  clipped: number;
}
export interface Spot {
  /** Middle and greatest extent, as parts of the width. */
  x: number;
  y: number;
  size: number;
  /** How much darker than what is around it, 0 to 1. */
  depth: number;
}

/** Weights of red, green and blue in brightness: ITU-R BT.601. */
function greyOf({ width, height, data }: Picture): Float32Array {
  const out = new Float32Array(width * height);
  for (let k = 0; k < out.length; k++)
    out[k] = (0.299 * data[4 * k]! + 0.587 * data[4 * k + 1]! + 0.114 * data[4 * k + 2]!) / 255;
  return out;
}

/** Sharpness by the Sobel operator (the Tenengrad measure; J. M. Tenenbaum, thesis, Stanford 1970, from memory), brightness and cast. */
export function pictureFigures(picture: Picture): PictureFigures {
  const { width, height, data } = picture;
  const grey = greyOf(picture);
  let squares = 0;
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const g = (dx: number, dy: number) => grey[(y + dy) * width + x + dx]!;
      const across = g(1, -1) + 2 * g(1, 0) + g(1, 1) - g(-1, -1) - 2 * g(-1, 0) - g(-1, 1);
      const down = g(-1, 1) + 2 * g(0, 1) + g(1, 1) - g(-1, -1) - 2 * g(0, -1) - g(1, -1);
      squares += across ** 2 + down ** 2;
    }
  const inner = Math.max(1, (width - 2) * (height - 2));
  let [sum, clipped] = [0, 0];
  for (const g of grey) {
    sum += g;
    if (g < 0.008 || g > 0.992) clipped++;
  }
  const brightness = sum / grey.length;
  const means = [0, 1, 2].map((c) => {
    let s = 0;
    for (let k = 0; k < grey.length; k++) s += data[4 * k + c]!;
    return s / grey.length;
  });
  return {
    sharpness: brightness > 0 ? Math.sqrt(squares / inner) / brightness : 0,
    brightness,
    cast: Math.max(...means) / Math.max(1, Math.min(...means)),
    clipped: clipped / grey.length,
  };
}

/** Mean difference of brightness between two pictures of one size, 0 to 1. */
export function differenceOf(a: Picture, b: Picture): number {
  const [one, other] = [greyOf(a), greyOf(b)];
  return one.reduce((sum, g, k) => sum + Math.abs(g - other[k]!), 0) / Math.max(1, one.length);
}
/** Enlargements that are told apart, and points across that are compared. */
const enlargements = Array.from({ length: 29 }, (_, k) => 1 + k / 4);
const compared = 48;
/**
 * How many times larger the second picture shows the middle of the first, from 1 to 8 in quarters: the enlargement that fits
 * best. Where there is nothing to see it is 1.
 */
export function enlargementOf(before: Picture, after: Picture): number {
  const [small, large] = [greyOf(before), greyOf(after)];
  const at = (grey: Float32Array, { width, height }: Picture, u: number, v: number) =>
    grey[
      Math.min(height - 1, Math.max(0, Math.round((v + 0.5) * height))) * width +
        Math.min(width - 1, Math.max(0, Math.round((u + 0.5) * width)))
    ]!;
  const misfit = (times: number) => {
    let sum = 0;
    for (let row = 0; row < compared; row++)
      for (let column = 0; column < compared; column++) {
        const [u, v] = [column / (compared - 1) - 0.5, row / (compared - 1) - 0.5].map((x) => 0.9 * x) as [
          number,
          number,
        ];
        sum += (at(small, before, u / times, v / times) - at(large, after, u, v)) ** 2;
      }
    return sum;
  };
  return enlargements.reduce((best, times) => (misfit(times) < misfit(best) - 1e-9 ? times : best), 1);
}

/** Blocks across a flat field; darker than around it by so much is a spot; what is larger is a shade and no spot. */
const blocks = 96;
const darkerBy = 0.06;
const mostBlocks = 14;
/** What is around a block: so many blocks each way. */
const around = 6;

/** Dark spots on a plain, evenly lit sheet: dust on a lens or a sensor, dead points. Falling off towards the corners is none. */
export function spotsOf(picture: Picture): Spot[] {
  const grey = greyOf(picture);
  const size = Math.max(1, Math.floor(picture.width / blocks));
  const columns = Math.floor(picture.width / size);
  const rows = Math.floor(picture.height / size);
  const mean = new Float64Array(columns * rows);
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      let sum = 0;
      for (let dy = 0; dy < size; dy++)
        for (let dx = 0; dx < size; dx++)
          sum += grey[(row * size + dy) * picture.width + column * size + dx]!;
      mean[row * columns + column] = sum / (size * size);
    }
  // against the middle value of a ring around it, which a spot within does not move
  const depth = mean.map((m, at) => {
    const ring = ringAround(mean, columns, rows, at);
    const usual = ring.sort((a, b) => a - b)[Math.floor(ring.length / 2)] ?? m;
    return usual > 0 ? 1 - m / usual : 0;
  });
  return regions(
    depth.map((d) => (d >= darkerBy ? 0 : 1)),
    columns,
    rows,
  )
    .filter((r) => Math.max(r.w, r.h) <= mostBlocks)
    .map((r) => {
      let most = 0;
      for (let y = r.y; y < r.y + r.h; y++)
        for (let x = r.x; x < r.x + r.w; x++) most = Math.max(most, depth[y * columns + x]!);
      return {
        x: (r.x + r.w / 2) / columns,
        y: (r.y + r.h / 2) / columns,
        size: Math.max(r.w, r.h) / columns,
        depth: most,
      };
    });
}
/**
 * What the ring around a block holds: means of two that lie opposite, so that a shade that falls off evenly is none. In the
 * very corners there are no two, and nothing is said.
 */
function ringAround(mean: Float64Array, columns: number, rows: number, at: number): number[] {
  const x = at % columns;
  const y = Math.floor(at / columns);
  const isIn = (px: number, py: number) => px >= 0 && px < columns && py >= 0 && py < rows;
  const out: number[] = [];
  for (let d = -around; d <= around; d++)
    for (const [dx, dy] of [
      [d, -around],
      [around, d],
    ] as const)
      if (isIn(x + dx, y + dy) && isIn(x - dx, y - dy))
        out.push((mean[(y + dy) * columns + x + dx]! + mean[(y - dy) * columns + x - dx]!) / 2);
  return out;
}
