import { parseTemplate } from '../../core/template';
import { NO_MEANS } from '../../core/checks';
import type * as Shared from './shared-template';

/** The module as one of the application's two module graphs has it. */
async function loaded(): Promise<typeof Shared> {
  let own: typeof Shared | null = null;
  await jest.isolateModulesAsync(async () => {
    own = await import('./shared-template');
  });
  return own!;
}

test('templates shared by two copies of the module are never taken for each other by a thread', async () => {
  const [runner, routes, thread] = [await loaded(), await loaded(), await loaded()];
  const named = (name: string) => parseTemplate({ wobrel: 1, name });
  const all = [runner, routes].flatMap((module, i) =>
    [0, 1, 2].map((k) => ({ name: `${i} ${k}`, shared: module.shareTemplate(named(`${i} ${k}`), null, NO_MEANS, {}) })),
  );
  for (const { name, shared } of all) expect(thread.openTemplate(shared).template.name).toBe(name);
});
