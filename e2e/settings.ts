/** Where the browser tests run: the first worker's port, the others' follow. */
export const PORT = 4340;
export const DATA = 'test-results/data';

export const CHROMIUM = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-dev-shm-usage',
    '--disable-background-networking',
    '--disable-component-update',
    '--no-first-run',
  ],
};
