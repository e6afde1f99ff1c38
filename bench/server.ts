/** The built application on data of its own, with a page of Chromium before it. */
import { chromium, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { CHROMIUM } from '../e2e/settings';
import { waitForServer } from '../scripts/seed-demo.mjs';

const PORT = 4323;
export const ADDRESS = `http://127.0.0.1:${PORT}`;
const DATA = 'scratch/bench-data';

/** Runs `work` with an empty application; everything of it is gone afterwards. */
export async function withApplication<T>(work: (page: Page) => Promise<T>): Promise<T> {
  rmSync(DATA, { recursive: true, force: true });
  const server = spawn(process.execPath, ['dist/serve.mjs'], {
    env: { ...process.env, NODE_ENV: 'production', PORT: String(PORT), WOBREL_DATA: DATA },
    stdio: 'ignore',
  });
  const browser = await chromium.launch(CHROMIUM);
  try {
    await waitForServer(ADDRESS);
    return await work(await browser.newPage({ viewport: { width: 1280, height: 800 } }));
  } finally {
    await browser.close();
    server.kill('SIGKILL');
    rmSync(DATA, { recursive: true, force: true });
  }
}
