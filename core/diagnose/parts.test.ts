import { expect, test } from 'vitest';
import { causes } from '../knowledge/causes';
import { symptomIds, symptoms } from '../knowledge/symptoms';
import { empty } from '../log/state';
import { functionsOf } from '../model/functions-of';
import { indexed, shippedModels } from '../testing/demo-models';
import { faultOf } from './fault';

// Every cause on every shipped model, as a person has read it: which part it leads to, and what is done there.
test('each cause leads to a part that serves what is complained of, or is none that the model can have', async () => {
  const lines: string[] = [];
  for (const model of shippedModels) {
    const index = indexed(model);
    const state = { ...empty(), symptom: Object.fromEntries(symptomIds.map((s) => [s, 1 as const])) };
    const { causes: possible } = faultOf(index, state, 6000)!;
    lines.push(`== ${model.name}`);
    for (const cause of causes) {
      if (!cause.kinds.length) continue;
      const slot = possible.find((c) => c.id === cause.id)?.slot;
      lines.push(`${cause.id}: ${slot ? `${cause.task} ${slot}` : '-'}`);
      if (slot && cause.serves)
        expect(functionsOf(index, slot), `${model.name} ${cause.id}`).toContain(cause.serves);
    }
  }
  await expect(`${lines.join('\n')}\n`).toMatchFileSnapshot('approved/parts.txt');
});
test('face unlock that comes and goes leads to the face module, to be reworked; a front camera to no rear camera', () => {
  for (const model of shippedModels) {
    const index = indexed(model);
    const of = (symptom: 'face' | 'front-camera') =>
      faultOf(index, { ...empty(), symptom: { [symptom]: 1 } }, 6000)!
        .causes.filter((c) => c.id in symptoms.find((s) => s.id === symptom)!.weights)
        .flatMap((c) => c.slot ?? []);
    for (const symptom of ['face', 'front-camera'] as const)
      for (const slot of of(symptom)) {
        const { kind, functions } = index.slots.get(slot)!;
        expect(kind === 'camera' && functions.includes('cameras'), `${model.name} ${symptom} ${slot}`).toBe(
          false,
        );
      }
  }
  const atlas = indexed(shippedModels.find((m) => m.id === 'atlas')!);
  const face = faultOf(atlas, { ...empty(), symptom: { face: 1 } }, 6000)!.causes;
  expect(face.find((c) => c.id === 'projector-lens')).toMatchObject({ slot: 'face-module', task: 'rework' });
});
