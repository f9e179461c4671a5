import type { Consent } from '../core/consents/consents';
import type { IndexedModel } from '../core/model/index-model';
import { functionName, list, thingName } from './things';

/** A consent in a few words, for lists. */
export function consentName(index: IndexedModel, id: string): string {
  const fixed: Record<string, string> = {
    water: 'protection against water',
    chip: 'chip work',
    cosmetic: 'marks that stay',
    'old-parts': 'the old parts',
    price: 'the price',
    data: 'data may be erased',
  };
  if (fixed[id]) return fixed[id];
  const [slot, fn] = id.split(' ') as [string, keyof typeof functionName];
  return functionName[fn] ? `${functionName[fn]} with a new ${thingName(index, slot)}` : id;
}

/** What is said to the owner, one sentence in plain words. */
export function consentText(index: IndexedModel, c: Consent, price?: string): string {
  switch (c.kind) {
    case 'effect':
      return effectSentence(c);
    case 'water':
      return c.tested
        ? 'The phone is opened and sealed again; how tight it is will be tested and told. That is not the factory’s rating.'
        : 'The phone is opened and closed again; protection against water is not claimed afterwards.';
    case 'cosmetic':
      return `What stays as it is: ${list(c.because)}.`;
    case 'chip':
      return 'A chip is moved under hot air. It can fail, and then the part is lost.';
    case 'old parts':
      return `The old ${list(c.because.map((s) => thingName(index, s)))}: back to you, or recycled?${c.kept?.length ? ' The damaged cell is not handed out: it goes to licensed recycling.' : ''}`;
    case 'price':
      return price ?? 'The price as offered.';
    case 'data':
      return 'The system may have to be restored: everything on the phone is erased. Is there a backup?';
  }
}
function effectSentence(c: Consent): string {
  const from = c.effect!.systemFrom;
  if (from)
    return `${sentence(c)} That is so from system ${from} on; on an older one nothing changes. The version is not known.`;
  return sentence(c);
}
function sentence(c: Consent): string {
  const e = c.effect!;
  if (e.effect === 'copy') return `${e.owner} If it cannot be read, this is lost.`;
  if (e.effect === 'lost' && e.remedy === undefined) return e.owner;
  if (e.effect === 'lost')
    return `${functionName[e.function][0]!.toUpperCase()}${functionName[e.function].slice(1)}: lost. ${e.owner}`;
  return e.owner;
}
