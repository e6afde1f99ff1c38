import { defineConfig } from '@playwright/test';
import { CHROMIUM, DATA, PORT } from './e2e/settings';

/** The real interface in Debian's Chromium, against the built application with a data folder of its own. */
export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  // One server and one data folder: the tests take turns.
  workers: 1,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  forbidOnly: true,
  // A second try tells a machine that was busy from a fault; the list names every test that needed it as flaky.
  retries: 1,
  reporter: 'list',
  use: { baseURL: `http://127.0.0.1:${PORT}`, viewport: { width: 1280, height: 800 }, launchOptions: CHROMIUM },
  webServer: {
    command: `rm -rf ${DATA} && npx next start -H 127.0.0.1 -p ${PORT}`,
    url: `http://127.0.0.1:${PORT}/api/batches`,
    env: { WOBREL_DATA: DATA, NEXT_TELEMETRY_DISABLED: '1' },
    timeout: 60_000,
  },
});
