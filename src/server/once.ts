/**
 * One value a process. Next.js loads the start-up code and the routes as separate module
 * graphs, so module variables are not shared between them; `globalThis` is.
 */
export function oncePerProcess<T>(name: string, make: () => T): T {
  const holder = globalThis as unknown as Record<symbol, T | undefined>;
  const key = Symbol.for(`wobrel.${name}`);
  return (holder[key] ??= make());
}
