/** Where the browser tests run: the first worker's port, the others' follow. */
export const PORT = 4340;
export const DATA = 'test-results/data';

/**
 * Debian's headless Chromium: the engine of its browser without the windows, panels and address bar,
 * which took a tenth of the tests' CPU. Scroll bars take their room, as on most desktops.
 */
export const CHROMIUM = {
  executablePath: '/usr/bin/chromium-headless-shell',
  ignoreDefaultArgs: ['--hide-scrollbars'],
  args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage'],
};
