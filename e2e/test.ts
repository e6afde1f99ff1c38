/** Every worker of the browser tests has a server and a data folder of its own, so that tests don't wait for each other. */
import { test as base } from '@playwright/test';
import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { waitForServer } from '../scripts/seed-demo.mjs';
import { DATA, PORT } from './settings';

type Server = { readonly address: string };

export const test = base.extend<object, { server: Server }>({
  server: [
    // oxlint-disable-next-line no-empty-pattern -- Playwright reads what is asked for
    async ({}, provide, { parallelIndex }) => {
      const data = `${DATA}-${parallelIndex}`;
      rmSync(data, { recursive: true, force: true });
      const port = PORT + parallelIndex;
      const child = spawn(process.execPath, ['dist/serve.mjs'], {
        env: { ...process.env, NODE_ENV: 'production', PORT: String(port), WOBREL_DATA: data },
        stdio: ['ignore', 'ignore', 'inherit'],
      });
      const address = `http://127.0.0.1:${port}`;
      await waitForServer(address);
      await provide({ address });
      child.kill('SIGKILL');
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ server }, provide) => provide(server.address),
});

export { expect, type Locator, type Page } from '@playwright/test';
