interface RouteFiles {
  module: string;
  clientLoaderModule?: string;
  clientActionModule?: string;
  imports?: string[];
}
declare global {
  interface Window {
    /** The router's list of what each route is made of; all of it is there from the first page. */
    __reactRouterManifest?: { routes: Record<string, RouteFiles | undefined> };
  }
}

/**
 * Has the scripts of a screen of the job fetched beforehand. Not by the router's own prefetching: that loads the page anew
 * when a script does not come, which is just when the network has gone and nothing must be lost.
 */
export function ScreenScripts({ path }: { path: string }) {
  const files = window.__reactRouterManifest?.routes[`routes/${path}/${path}`];
  if (!files) return null;
  return [files.module, files.clientLoaderModule, files.clientActionModule, ...(files.imports ?? [])].map(
    (href) => href && <link key={href} rel="modulepreload" href={href} />,
  );
}
