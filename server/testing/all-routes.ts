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
    entries.flatMap((routeConfigEntry) => {
      const path = [base, routeConfigEntry.path].filter(Boolean).join('/');
      return [
        {
          file: routeConfigEntry.file,
          path: routeConfigEntry.path === undefined && !routeConfigEntry.index ? undefined : path,
          frames,
        },
        ...flat(routeConfigEntry.children ?? [], path, [...frames, routeConfigEntry.file]),
      ];
    });
  return flat(await routes, '', []);
}
