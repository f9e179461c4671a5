import type { Consent } from '../core/consents/consents';
import { expectedLoss } from '../core/rework/odds';
import type { IndexedModel } from '../core/model/index-model';
import { list, thingName } from './things';
import { functionName } from './functions';

/** A consent in a few words, for lists. */
export function consentName(index: IndexedModel, id: string): string {
  const fixed: Record<string, string> = {
    water: 'protection against water',
    chip: 'work under the microscope',
    cosmetic: 'marks that stay',
    'old-parts': 'the old parts',
    price: 'the price',
    data: 'data may be erased',
  };
  if (fixed[id]) return fixed[id];
  if (id.startsWith('pads '))
    return `without what ran over lifted pads of the ${thingName(index, id.slice(5))}`;
  if (id.startsWith('notice ')) return `the notice of the ${thingName(index, id.slice(7))}`;
  const [slot, fn] = id.split(' ') as [string, keyof typeof functionName];
  return functionName[fn] ? `${functionName[fn]} with a new ${thingName(index, slot)}` : id;
}

/** What is said to the owner, one sentence in plain words. */
export function consentText(index: IndexedModel, consent: Consent, price?: string): string {
  switch (consent.kind) {
    case 'effect':
      return effectSentence(consent);
    case 'water':
      return consent.tested
        ? 'The phone is opened and sealed again; how tight it is will be tested and told. That is not the factory’s rating.'
        : 'The phone is opened and closed again; protection against water is not claimed afterwards.';
    case 'cosmetic':
      return `What stays as it is: ${list(consent.because)}.`;
    case 'chip':
      return microscopeSentence(index, consent);
    case 'old parts':
      return `The old ${list(consent.because.map((s) => thingName(index, s)))}: back to you, or recycled?${consent.kept?.length ? ' The damaged cell is not handed out: it goes to licensed recycling.' : ''}`;
    case 'price':
      return price ?? 'The price as offered.';
    case 'data':
      return 'The system may have to be restored: everything on the phone is erased. Is there a backup?';
  }
}
/** What is done under the microscope, by the kind of part: glue at a lens is no chip. */
function microscopeSentence(index: IndexedModel, { because }: Consent): string {
  const optics = because.filter((slot) => index.slots.get(slot)?.traits.includes('laser'));
  const chips = because.filter((slot) => !optics.includes(slot));
  const named = (slots: readonly string[]) => list(slots.map((slot) => thingName(index, slot)));
  return [
    ...(chips.length ? [`A chip at the ${named(chips)} is worked at under hot air.`] : []),
    ...(optics.length
      ? [
          `The ${named(optics)} is opened under the microscope: a lens is glued, or a part in it replaced. If that fails face unlock is gone for good.`,
        ]
      : []),
    chanceLost,
  ].join(' ');
}
/** The trade's own chance before one's own jobs are counted: the same that the price counts with. */
const chanceLost = `About one such part in ${Math.round(1 / expectedLoss)} is lost.`;
function effectSentence(consent: Consent): string {
  const from = consent.effect!.systemFrom;
  if (from)
    return `${sentence(consent)} That is so from system ${from} on; on an older one nothing changes. The version is not known.`;
  return sentence(consent);
}
function sentence(consent: Consent): string {
  const effect = consent.effect!;
  if (effect.effect === 'copy') return `${effect.owner} If it cannot be read, this is lost.`;
  if (effect.effect === 'lost' && effect.remedy === undefined) return effect.owner;
  if (effect.effect === 'lost')
    return `${functionName[effect.function][0]!.toUpperCase()}${functionName[effect.function].slice(1)}: lost. ${effect.owner}`;
  return effect.owner;
}
