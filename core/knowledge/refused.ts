import { saysAnyOf } from './words-in';

/** Folk remedies that do harm: known, refused, explained. `words` are found in a search, whole and by their stems. */
export const refused: readonly { id: string; name: string; words: readonly string[]; why: string }[] = [
  {
    id: 'spark',
    name: 'waking the panel with a voltage or a spark',
    words: ['spark', 'lighter', 'scrap', 'voltage', 'piezo', 'bare', 'wake', 'waking', 'zap', 'shock'],
    why: 'It can revive a panel for seconds and can destroy the display driver or the board: a panel’s price becomes a board’s price.',
  },
  {
    id: 'freezer',
    name: 'freezing it',
    words: ['freeze', 'freezing', 'freezer', 'fridge', 'ice'],
    why: 'Water condenses inside when it warms up, and a cold cell is damaged by charging. Where separating needs cold, it is done bare, without the cell.',
  },
  {
    id: 'rice',
    name: 'rice or an oven for a wet phone',
    words: ['rice', 'oven', 'dry it', 'hair dryer', 'radiator'],
    why: 'Neither takes salt off the contacts, and heat on a wet cell can set it on fire. Cell off, rinse and dry by the rules of the trade.',
  },
  {
    id: 'press-flat',
    name: 'pressing a swollen cell flat, or letting the gas out',
    words: ['prick', 'pierce', 'needle', 'press flat', 'deflate', 'gas'],
    why: 'A pierced or pressed cell can catch fire. It comes out slowly, cold, and goes to the licensed scheme.',
  },
  {
    id: 'jump-cell',
    name: 'jump-starting a flat cell past its protection',
    words: ['jump', 'boost', 'bypass'],
    why: 'A cell that was drained too far may have grown metal inside: charged by force it can short and burn.',
  },
  {
    id: 'needle-mesh',
    name: 'a needle in the microphone or speaker hole',
    words: ['pin', 'poke', 'toothpick'],
    why: 'It goes through the membrane or the seal behind the mesh: brush and tacky putty only.',
  },
];

/** The folk remedy that somebody is looking for, if any. */
export function refusedIn(text: string): (typeof refused)[number] | undefined {
  if (text.trim().length < 3) return undefined;
  const says = saysAnyOf(text);
  return refused.find((r) => says(r.words));
}
