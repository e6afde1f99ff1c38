import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './e2e/settings';

/** The real interface in Debian's Chromium, against the built application: one server and data folder a worker (e2e/test.ts). */
export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results/runs',
  workers: 2,
  fullyParallel: true,
  timeout: 300_000,
  expect: { timeout: 30_000 },
  forbidOnly: true,
  // A test that needs a second try is at fault.
  retries: 0,
  reporter: 'list',
  use: { viewport: { width: 1280, height: 800 }, launchOptions: CHROMIUM },
});
