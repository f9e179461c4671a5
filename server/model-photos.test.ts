import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { beforeAll, describe, expect, test } from 'vitest';
import { makeWorld, type World } from './testing/world';
import { dropModelPhoto, keepModelPhoto, modelPhotoOf, photosOfModel } from './use-cases/model-photos';

let world: World;
let picture: Buffer;
beforeAll(async () => {
  world = await makeWorld();
  picture = await sharp({ create: { width: 40, height: 80, channels: 3, background: '#446688' } })
    .withExif({ IFD0: { Copyright: 'somebody' } })
    .jpeg()
    .toBuffer();
}, 120_000);

describe('photographs under the map of a model', () => {
  const about = { name: 'board out', face: 'front' };
  test('are seen by every bench of the workshop and by no other, without anything but their picture', async () => {
    const [own, other] = [world.own.get('technician')!, world.other.get('owner')!];
    const id = randomUUID();
    expect(await keepModelPhoto(own, 'mica-9', id, about, picture)).toMatchObject({ ok: true, width: 40 });
    expect(await keepModelPhoto(own, 'mica-9', id, about, picture)).toMatchObject({ ok: true });
    const lead = world.own.get('lead')!;
    const mine = { id, ...about };
    expect(await photosOfModel(lead, 'mica-9')).toEqual([{ ...mine, mayDrop: true }]);
    expect(await photosOfModel(world.own.get('trainee')!, 'mica-9')).toEqual([{ ...mine, mayDrop: false }]);
    expect(await photosOfModel(own, 'sprig')).toEqual([]);
    expect(await photosOfModel(other, 'mica-9')).toEqual([]);
    expect(await modelPhotoOf(other, 'mica-9', id)).toBeUndefined();
    const kept = (await modelPhotoOf(own, 'mica-9', id))!;
    expect((await sharp(kept).metadata()).exif).toBeUndefined();
    expect(await keepModelPhoto(own, 'sprig', id, about, picture)).toMatchObject({ ok: false, status: 409 });
  });
  test('a trainee takes away what is their own; what is none is refused and not kept', async () => {
    const [trainee, lead] = [world.own.get('trainee')!, world.own.get('lead')!];
    const [own, theirs] = [randomUUID(), randomUUID()];
    await keepModelPhoto(trainee, 'dune-2', own, { name: 'a', face: 'back' }, picture);
    await keepModelPhoto(lead, 'dune-2', theirs, about, picture);
    expect(await dropModelPhoto(trainee, 'dune-2', theirs)).toBe(false);
    expect(await dropModelPhoto(trainee, 'dune-2', own)).toBe(true);
    expect((await photosOfModel(lead, 'dune-2')).map((p) => p.id)).toEqual([theirs]);
    const bad = [
      keepModelPhoto(lead, 'dune-2', randomUUID(), { name: '', face: 'front' }, picture),
      keepModelPhoto(lead, 'dune-2', randomUUID(), { name: 'x', face: 'side' }, picture),
      keepModelPhoto(lead, 'dune-2', randomUUID(), about, Buffer.from('no picture')),
      keepModelPhoto(lead, 'no-such', randomUUID(), about, picture),
    ];
    for (const answer of await Promise.all(bad)) expect(answer).toMatchObject({ ok: false });
    for (let n = 0; n < 11; n++) await keepModelPhoto(lead, 'dune-2', randomUUID(), about, picture);
    expect(await keepModelPhoto(lead, 'dune-2', randomUUID(), about, picture)).toMatchObject({ status: 409 });
    expect(await photosOfModel(lead, 'dune-2')).toHaveLength(12);
  });
});
