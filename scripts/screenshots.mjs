/** `npm run screenshots`: starts the built application with the demo photos and takes the pictures of docs/screenshots. */
import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM, root } from './run.mjs';
import { seedDemo, waitForServer } from './seed-demo.mjs';

const PORT = 4399;
const address = `http://127.0.0.1:${PORT}`;
const data = mkdtempSync(join(tmpdir(), 'wobrel-screenshots-'));
const PASSWORD = 'clay, glaze and kiln';

/** Waits until there are cutouts, and every one of them in sight is painted. */
const painted = (page, within) =>
  page.waitForFunction((all) => {
    const inSight = [...document.querySelectorAll(all)].filter((one) => one.getBoundingClientRect().top < innerHeight);
    // Those of lists say so; others are a pixel wide until then.
    return inSight.length > 0 && inSight.every((one) => 'painted' in one.dataset || (one.ariaHidden && one.width > 1));
  }, `${within} canvas`);

const CUTOUTS = '[role=option]';
const STRIPS = '.strip';
/** Findings are counted behind the pages: so many of the demo's photos have some. */
const counted = (page) => page.getByText('7 to look at').first().waitFor();
const onWall = (page) => counted(page).then(() => painted(page, CUTOUTS));
const onCards = (page) => painted(page, STRIPS);

const button = (page, name) => page.getByRole('button', { name, exact: true });

const LINE = { width: 14, paint: '#24594f' };
const slot = (name, set, kind, [cx, cy, width, height], more = {}) => ({ name, set, shape: { kind, box: { cx, cy, width, height }, ...more }, borders: [LINE], shadows: [{ y: 6, blur: 18, opacity: 0.3 }] }); // prettier-ignore

/** Three photos on a sheet, and words on a mark. */
const SHEET = {
  wobrel: 1,
  name: 'Sheet',
  frame: { width: 1200, height: 900 },
  backdrop: '#f4efe6',
  slots: [
    slot('front', null, 'rectangle', [430, 450, 700, 740], { radii: [40, 40, 40, 40] }),
    slot('side', 'right', 'circle', [980, 270, 340, 340]),
    slot('detail', 'right', 'heart', [980, 660, 330, 330]),
  ],
  captions: [{ text: 'Autumn shelf', size: 46, at: [430, 760], paint: '#ffffff', mark: { form: 'ticket', room: 22, paint: '#b0392f' } }], // prettier-ignore
};

/** The batch's template before it is changed for a picture. */
let plain;
const draft = async (page) => (await page.request.get('/api/batches/3')).json();
const setDraft = async (page, template) => {
  const { revision } = await draft(page);
  await page.request.put('/api/batches/3/draft', { data: { template, revision } });
};

/** Exports the batch; the number of the delivery, once it is done. */
async function exported(page) {
  const { id } = await (await page.request.post('/api/batches/3/deliveries', { data: {} })).json();
  for (;;) {
    const { progress } = await (await page.request.get(`/api/deliveries/${id}`)).json();
    if (progress.state === 'done') return id;
    if (!['waiting', 'running'].includes(progress.state)) throw new Error(`The export has ${progress.state}.`);
    await page.waitForTimeout(200);
  }
}

const TINT = { paint: { kind: 'contour', depth: 240, stops: [[0, '#00000099'], [1, '#00000000']] }, blend: 'multiply' }; // prettier-ignore

/** Where each picture is taken, and what is done first. */
const PICTURES = {
  batches: ['/', (page) => counted(page).then(() => onCards(page))],
  wall: ['/batches/3?step=template', onWall],
  check: ['/batches/3?step=check', onWall],
  templates: ['/templates', onCards],
  report: ['/batches/3/report', (page) => page.getByText(/^60 photos/).waitFor()],
  help: ['/help'],
  photos: ['/batches/3?step=photos', async (page) => {
      await page.getByText('table', { exact: true }).click();
      await painted(page, '[role=row]');
    },
  ],
  centre: ['/batches/3?step=centre', async (page) => {
      await page.getByText('average', { exact: true }).click();
      await page.getByText(/cutouts averaged/).waitFor();
      await counted(page);
    },
  ],
  easel: [
    '/batches/3?step=template',
    async (page) => {
      await page.getByRole('listbox', { name: 'Cutouts' }).getByRole('option').first().click();
      await page.keyboard.press('Enter');
      await page.getByText('True size').waitFor();
      await page.waitForFunction(() => [...document.querySelectorAll('.easel-side canvas')].every((one) => one.width > 1)); // prettier-ignore
    },
  ],
  shapes: [
    '/batches/3?step=template',
    async (page) => {
      await onWall(page);
      await page.getByRole('button', { name: /Choose another/ }).click();
      await page.getByRole('dialog').getByRole('button', { name: 'Star', exact: true }).waitFor();
    },
  ],
  keys: ['/batches/3?step=template', async (page) => {
      await onWall(page);
      await page.keyboard.press('?');
      await page.getByRole('dialog').getByText('show all keys').waitFor();
    },
  ],
  deliveries: [
    '/deliveries',
    async (page) => {
      plain = (await draft(page)).template;
      await exported(page);
      const { photos } = await (await page.request.get('/api/batches/3/photos?limit=60&offset=0')).json();
      const { id } = photos.find(({ name }) => name.startsWith('ash-plate'));
      const adjust = (adjustment) => page.request.patch('/api/batches/3/photos', { data: { changes: [{ id, adjustment }] } }); // prettier-ignore
      await adjust({ x: 0, y: 0, scale: 1.15, angle: 0 });
      await page.goto(`/deliveries/${await exported(page)}`);
      await adjust(null);
      await page.getByLabel('Compare with').selectOption({ index: 1 });
      await page.getByText(/^Different/).waitFor();
      await page.waitForLoadState('networkidle');
    },
  ],
  first: [
    '/',
    async (page) => {
      await button(page, 'New batch…').click();
      await page.getByLabel('Name').fill('Spring fair');
      await page.getByRole('dialog').locator('[type=submit]').click();
      await page.getByText('Drop a folder of photos here').waitFor();
    },
  ],
  // These change their templates.
  stage: [
    '/batches/2?step=template',
    async (page) => {
      await page.getByRole('button', { name: /Choose another/ }).click();
      await page.getByRole('dialog').getByRole('button', { name: 'Star', exact: true }).click();
      await page.getByRole('radio', { name: 'stage', exact: true }).click();
      await page.locator('.stage-cutout[data-painted]').waitFor();
      await painted(page, '.stage-strip');
      await page.getByText(/to look at$/).waitFor();
      await page.getByText('saved', { exact: true }).waitFor();
    },
  ],
  framing: [
    '/batches/3?step=template',
    async (page) => {
      const framing = page.getByRole('button', { name: /^Framing/ });
      await framing.click();
      const kept = page.waitForResponse((answer) => answer.url().endsWith('/draft') && answer.ok());
      await button(page, 'Oak').click();
      await kept;
      // Anew, so that every cutout is drawn for the first time.
      await page.reload();
      await onWall(page);
      await page.getByRole('button', { name: /^Shape/ }).click();
      await framing.click();
      await painted(page, '.finishes');
    },
  ],
  export: [
    '/batches/3?step=export',
    async (page) => {
      await onWall(page);
      await page.getByRole('button', { name: /^newsletter/ }).click();
      await button(page, 'Try on one photo').click();
      await page.getByText(/SSIM/).scrollIntoViewIfNeeded();
    },
  ],
  colours: [
    '/batches/3?step=template',
    async (page) => {
      await setDraft(page, { ...plain, filters: { grayscale: 0.4 }, tints: [TINT] });
      await page.reload();
      await page.getByText(/to look at$/).first().waitFor();
      await painted(page, CUTOUTS);
      for (const section of [/^Shape/, /^Tints/, /^Colours/])
        await page.locator('.side').getByRole('button', { name: section }).click();
      await page.getByLabel('Brightness', { exact: true }).waitFor();
    },
  ],
  composing: [
    '/batches/3?step=template',
    async (page) => {
      await setDraft(page, SHEET);
      await page.reload();
      await page.getByRole('radio', { name: 'stage', exact: true }).click();
      await page.locator('.stage-cutout[data-painted]').waitFor();
      await painted(page, '.stage-strip');
      await page.getByText(/to look at$/).waitFor();
    },
  ],
  // The last: from here on people sign in.
  people: [
    '/people',
    async (page) => {
      await button(page, 'Have people sign in…').click();
      await page.getByLabel('Name').fill('Mia Holt');
      await page.getByLabel('E-mail address').fill('mia@brackwick.example');
      await page.getByLabel('Password', { exact: true }).fill(PASSWORD);
      await button(page, 'Turn signing in on').click();
      await page.getByText('1 person').waitFor();
      for (const [name, role] of [['Ben Okafor', 'artist'], ['Ada Lind', 'maker'], ['Noor Said', 'viewer']]) {
        const email = `${name.split(' ')[0].toLowerCase()}@brackwick.example`;
        await page.request.post('/api/people', { data: { name, email, role } });
      }
      await page.request.post('/api/tokens', { data: { name: 'Nightly export', role: 'artist', days: 90 } });
      await page.reload();
      await page.getByText('4 people').waitFor();
      await page.getByText('Tokens for scripts').click();
    },
  ],
}; // prettier-ignore

const server = spawn(process.execPath, ['dist/serve.mjs'], {
  cwd: root,
  env: { ...process.env, NODE_ENV: 'production', PORT: String(PORT), WOBREL_DATA: data },
  stdio: ['ignore', 'ignore', 'inherit'],
});
try {
  await waitForServer(address);
  await seedDemo(address);
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox'],
    // As on most desktops.
    ignoreDefaultArgs: ['--hide-scrollbars'],
  });
  const page = await browser.newPage({ baseURL: address, viewport: { width: 1280, height: 800 } });
  for (const [name, [path, prepare]] of Object.entries(PICTURES)) {
    await page.goto(path);
    await page.waitForLoadState('load');
    await prepare?.(page);
    await page.evaluate(() => document.activeElement?.blur());
    await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`), animations: 'disabled' });
    console.log(name);
  }
  await browser.close();
} finally {
  server.kill('SIGKILL');
  rmSync(data, { recursive: true, force: true });
}
