/** So many of each kind a process keeps: a route of a rebuild weighs a megabyte. */
const most = 80;
/** Keeps a value under its key; the oldest goes when there are too many. @returns the value */
export function keepNewest<T>(map: Map<string, T>, key: string, value: T): T {
  map.delete(key);
  if (map.size >= most) map.delete(map.keys().next().value!);
  map.set(key, value);
  return value;
}
