import type { RouteConfigEntry } from '@react-router/dev/routes';
import routes from '../../app/routes';

export interface FlatRoute {
  file: string;
  /** From the root, without its first slash; undefined for a frame that has no address of its own. */
  path: string | undefined;
  /** The files of the frames around it, the outermost first. */
  frames: string[];
}
/** Every route of the app, with its whole address. */
export async function allRoutes(): Promise<FlatRoute[]> {
  const flat = (entries: RouteConfigEntry[], base: string, frames: string[]): FlatRoute[] =>
    entries.flatMap((r) => {
      const path = [base, r.path].filter(Boolean).join('/');
      return [
        { file: r.file, path: r.path === undefined && !r.index ? undefined : path, frames },
        ...flat(r.children ?? [], path, [...frames, r.file]),
      ];
    });
  return flat(await routes, '', []);
}
