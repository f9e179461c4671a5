import { stemmer } from 'stemmer';

/** The words of a text as stems (Porter, Program 14(3), 1980), in their order. */
const stemsOf = (text: string): string[] =>
  (
    text
      .toLowerCase()
      .replaceAll("'", '’')
      .match(/[\p{L}\p{N}’]+/gu) ?? []
  ).map((word) => stemmer(word));

/** So much of a text is read, characters. */
const mostRead = 4000;
/**
 * Whether a text says one of some words or phrases: each matched whole and by its stem, so that a device is no ice and a
 * gasket no gas. A text is read up to its 4000th character.
 */
export function saysAnyOf(text: string): (phrases: readonly string[]) => boolean {
  const said = stemsOf(text.slice(0, mostRead));
  const has = (phrase: readonly string[]) =>
    phrase.length > 0 && said.some((_, at) => phrase.every((stem, k) => said[at + k] === stem));
  return (phrases) => phrases.some((phrase) => has(stemsOf(phrase)));
}
