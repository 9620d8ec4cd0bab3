import type { Express } from 'express';

interface Layer {
  readonly route?: { readonly path: string; readonly stack: readonly { readonly method?: string }[] };
  readonly handle?: { readonly stack?: readonly Layer[] };
}

/** Every route of the application, from the application. */
export function routesOf(app: Express): { method: string; path: string }[] {
  const found: { method: string; path: string }[] = [];
  const walk = (layers: readonly Layer[]): void => {
    for (const { route, handle } of layers) {
      if (route && typeof route.path === 'string')
        for (const method of new Set(route.stack.map((s) => s.method).filter((m) => m !== undefined)))
          found.push({ method: method.toUpperCase(), path: route.path });
      if (handle?.stack) walk(handle.stack);
    }
  };
  walk((app as unknown as { router: { stack: readonly Layer[] } }).router.stack);
  return found;
}
