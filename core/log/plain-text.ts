/**
 * Text that no database column and no other program takes: a NUL, or half of a surrogate pair. It comes of damaged
 * files and of attacks, never of a keyboard.
 */
// biome-ignore lint/suspicious/noControlCharactersInRegex: that character is what is looked for
const nul = /\u0000/;
export const isPlainText = (text: string): boolean => !nul.test(text) && text.isWellFormed();

/**
 * The path of the first text in a value that is not plain, keys of objects included; undefined where all is well.
 * @param depth deeper than this nothing is read: such a value is refused by its own schema
 */
export function notPlainAt(
  value: unknown,
  path: (string | number)[] = [],
  depth = 12,
): (string | number)[] | undefined {
  if (typeof value === 'string') return isPlainText(value) ? undefined : path;
  if (value === null || typeof value !== 'object' || depth === 0) return undefined;
  for (const [key, inner] of Object.entries(value)) {
    if (!isPlainText(key)) return [...path, '(a name)'];
    const found = notPlainAt(inner, [...path, Array.isArray(value) ? Number(key) : key], depth - 1);
    if (found) return found;
  }
  return undefined;
}
export const plainTextAdvice =
  'It holds a character that is no text (a NUL or half of a character). Type it anew instead of pasting it.';

/** Times that a bench can mean, ms since 1970 UTC: this century. What lies beyond is a mistake of a program. */
export const firstMoment = Date.UTC(2000, 0, 1);
export const lastMoment = Date.UTC(2100, 0, 1);
