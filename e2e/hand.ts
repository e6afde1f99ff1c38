/** A person's hand: clicks and keys that are counted, by labels alone. */
import { expect, type Locator, type Page } from './test';

/** A button by its whole name, or by what its name holds. */
export const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }); // prettier-ignore

export type Hand = {
  readonly click: (what: Locator, at?: { readonly x: number; readonly y: number }) => Promise<void>;
  /** One after the other; every character that is typed is a key, and what is chosen in a list a click. */
  readonly keys: (...keys: string[]) => Promise<void>;
  readonly type: (text: string) => Promise<void>;
  /** Presses, moves by so many pixels and lets go: one click. */
  readonly drag: (what: Locator, by: readonly [number, number]) => Promise<void>;
  readonly choose: (list: Locator, words: string) => Promise<void>;
  /** Prints what it took, and holds it against the most that it may. */
  readonly done: (task: string, most: { readonly clicks: number; readonly keys: number }) => void;
};

export function handOn(page: Page): Hand {
  let [clicks, keys] = [0, 0];
  return {
    click: async (what, at) => {
      clicks++;
      await what.click(at && { position: at });
    },
    keys: async (...pressed) => {
      for (const key of pressed) {
        keys++;
        await page.keyboard.press(key);
      }
    },
    type: async (text) => {
      keys += text.length;
      await page.keyboard.type(text);
    },
    drag: async (what, [dx, dy]) => {
      clicks++;
      const { x, y, width, height } = (await what.boundingBox())!;
      await page.mouse.move(x + width / 2, y + height / 2);
      await page.mouse.down();
      await page.mouse.move(x + width / 2 + dx, y + height / 2 + dy, { steps: 4 });
      await page.mouse.up();
    },
    choose: async (list, words) => {
      clicks++;
      await list.selectOption({ label: words });
    },
    done: (task, most) => {
      console.log(`${task}: ${clicks} clicks and ${keys} keys (at most ${most.clicks} and ${most.keys})`);
      expect(clicks).toBeLessThanOrEqual(most.clicks);
      expect(keys).toBeLessThanOrEqual(most.keys);
    },
  };
}
