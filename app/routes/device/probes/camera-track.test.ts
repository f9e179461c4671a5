// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { framesASecond, kept, lit, moved, stillOf } from './camera-track';

/** A camera as it is set, and what its picture comes to then. */
let set: { focusDistance: number; zoom: number; torch: boolean; focusMode: string };
let shaking: boolean;
/** What the camera was told, in order. */
let asked: object[];
let fails: boolean;
const video = { videoWidth: 1280, videoHeight: 960 } as HTMLVideoElement;
const track = (can: object | undefined): MediaStreamTrack =>
  ({
    ...(can ? { getCapabilities: () => can } : {}),
    applyConstraints: async ({ advanced }: { advanced: [object] }) => {
      asked.push(advanced[0]);
      if (fails) throw new DOMException('the lens is stuck', 'OperationError');
      Object.assign(set, advanced[0]);
    },
  }) as unknown as MediaStreamTrack;
/** What a working camera sees: a blot off the middle, larger by its zoom, paler out of focus, brighter by its light. */
function seen(width: number, height: number): ImageData {
  const data = new Uint8ClampedArray(width * height * 4);
  const contrast = set.focusDistance > 0.5 ? 90 : 30;
  const light = set.torch ? 1.5 : 1;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [u, v] = [(x / width - 0.5) / set.zoom - 0.03, (y / height - 0.5) / set.zoom - 0.02];
      const blot = Math.hypot(u, v) < 0.05 ? -contrast : 0;
      data.fill((100 + blot + (shaking ? 20 : 0)) * light, 4 * (y * width + x), 4 * (y * width + x) + 3);
    }
  return { width, height, data } as ImageData;
}
let drawn: { sizes: number[][]; rings: number[][] };
beforeEach(() => {
  vi.useFakeTimers();
  set = { focusDistance: 1, zoom: 1, torch: false, focusMode: 'continuous' };
  [asked, shaking, fails, drawn] = [[], false, false, { sizes: [], rings: [] }];
  vi.stubGlobal('navigator', {});
  HTMLCanvasElement.prototype.getContext = (() => ({
    drawImage: (_: unknown, x: number, y: number, w: number, h: number) => drawn.sizes.push([x, y, w, h]),
    getImageData: (_x: number, _y: number, w: number, h: number) => seen(w, h),
    beginPath: () => {},
    arc: (...given: number[]) => drawn.rings.push(given.slice(0, 3)),
    stroke: () => {},
  })) as never;
  HTMLCanvasElement.prototype.toDataURL = (type?: string) => `data:${type};base64,AAAA`;
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});
const measured = async <T>(figures: Promise<T>): Promise<T> => {
  await vi.runAllTimersAsync();
  return figures;
};

describe('a picture', () => {
  test('is looked at in a width of its own and the camera’s shape; a small one is not made larger', () => {
    expect(stillOf(video).picture).toMatchObject({ width: 640, height: 480 });
    expect(stillOf({ videoWidth: 320, videoHeight: 180 } as HTMLVideoElement).picture).toMatchObject({
      ...{ width: 320, height: 180 },
    });
    expect(drawn.sizes).toEqual([
      [0, 0, 640, 480],
      [0, 0, 320, 180],
    ]);
  });
  test('that is kept has a ring where each spot is, and no more than twenty', () => {
    const { canvas } = stillOf(video);
    expect(kept(canvas, [{ x: 0.5, y: 0.25 }])).toBe('AAAA');
    expect(drawn.rings).toEqual([[320, 120, 14]]);
    kept(
      canvas,
      Array.from({ length: 30 }, () => ({ x: 0, y: 0 })),
    );
    expect(drawn.rings).toHaveLength(21);
  });
});

describe('what moves', () => {
  const lens = { focusMode: ['manual', 'continuous'], focusDistance: { min: 0.1, max: 1 } };
  test('a lens that travels sees sharper at one end, by as much as the picture says', async () => {
    const { travel } = await measured(moved(track(lens), video));
    // three times the contrast, over nearly the same brightness
    expect(travel).toBeGreaterThan(2.5);
    expect(travel).toBeLessThan(3.5);
    // and it is left to focus by itself, as it was found
    expect(asked.at(-1)).toEqual({ focusMode: 'continuous' });
  });
  test('one that is told and does not move sees the same at both ends', async () => {
    const stuck = track(lens);
    stuck.applyConstraints = async () => {};
    expect((await measured(moved(stuck, video))).travel).toBeCloseTo(1);
  });
  test('of a camera whose focus nobody can set, or that has no way to go, nothing is said', async () => {
    for (const can of [
      undefined,
      {},
      { ...lens, focusMode: ['continuous'] },
      { ...lens, focusDistance: { min: 1, max: 1 } },
    ])
      expect(await measured(moved(track(can), video))).toEqual({});
    expect(asked).toEqual([]);
  });
  test('zoom is how much larger the picture has become, up to four times, and is taken back', async () => {
    expect((await measured(moved(track({ zoom: { min: 1, max: 8 } }), video))).zoom).toBe(4);
    expect(asked).toEqual([{ zoom: 4 }, { zoom: 1 }]);
    expect((await measured(moved(track({ zoom: { min: 1, max: 2 } }), video))).zoom).toBe(2);
  });
  test('less than twice tells nothing', async () => {
    expect(await measured(moved(track({ zoom: { min: 1, max: 1.9 } }), video))).toEqual({});
  });
  test('a camera that fails at it leaves no figure, and no error', async () => {
    fails = true;
    expect(await measured(moved(track({ ...lens, zoom: { min: 1, max: 8 } }), video))).toEqual({});
  });
  test('trembling is what vibration adds; where there is none, or it is refused, nothing is said', async () => {
    let looks = 0;
    HTMLCanvasElement.prototype.getContext = (() => ({
      drawImage: () => {},
      // at rest all pictures are alike; while it vibrates the second differs
      getImageData: (_x: number, _y: number, w: number, h: number) => {
        shaking = ++looks === 4;
        return seen(w, h);
      },
    })) as never;
    vi.stubGlobal('navigator', { vibrate: () => true });
    expect((await measured(moved(track({}), video))).shaken).toBeCloseTo(20 / 255, 2);
    vi.stubGlobal('navigator', { vibrate: () => false });
    expect(await measured(moved(track({}), video))).toEqual({});
  });
});

describe('its light', () => {
  test('makes what it sees brighter by so much, and is put out', async () => {
    expect((await measured(lit(track({ torch: true }), video))).light).toBeCloseTo(1.5, 1);
    expect(asked).toEqual([{ torch: true }, { torch: false }]);
  });
  test('that it does not have is not asked for', async () => {
    expect(await measured(lit(track({}), video))).toEqual({});
    expect(asked).toEqual([]);
  });
});

describe('frames', () => {
  test('are counted for one second, and no longer', async () => {
    let calls = 0;
    const live = {
      requestVideoFrameCallback: (count: () => void) => {
        calls++;
        setTimeout(count, 1000 / 31);
      },
    } as unknown as HTMLVideoElement;
    expect(await measured(framesASecond(live))).toBe(31);
    expect(calls).toBeLessThan(34);
  });
  test('are none where the browser does not say', async () => {
    expect(await framesASecond({} as HTMLVideoElement)).toBe(0);
  });
});
