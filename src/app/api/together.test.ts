/** Two windows at one batch, whatever the timing: nothing that somebody did is undone without a word. */
import fc from 'fast-check';
import { copyFile, mkdir } from 'node:fs/promises';
import type { Template } from '@/core/template';
import { peopleFolder } from '@/server/people/testing';
import { batches, photos, type PhotoChange, type PhotoRow } from '@/server/services';
import { digestFile } from '@/server/store';
import { FIRST_WORKSPACE, hereIn, listen, type Here } from '@/server/workspace';
import { withOthers, withOwn } from '@/ui/photos/others';
import type { PhotoPages } from '@/ui/photos/photo-pages';
import { createPhotoSaves } from '@/ui/photos/photo-saves';
import { ApiError } from '@/ui/shared/api';
import { createDraftSaves } from '@/ui/template/draft-saves';

jest.mock('@/ui/shared/line', () => ({ ...jest.requireActual('@/ui/shared/line'), lineBack: async () => {} }));

peopleFolder();

const PHOTOS = ['slate-mug-07.jpg', 'ochre-tile-48.jpg'];
const windowOf = (window: string): Here =>
  hereIn(FIRST_WORKSPACE, { person: null, name: window, role: 'owner', window });

/** What happens next: somebody edits something, or whoever waits gets a turn. */
const steps = fc.array(
  fc.record({
    who: fc.constantFrom(0, 1),
    does: fc.constantFrom('edit', 'edit', 'pause'),
    which: fc.constantFrom(0, 1, 2),
    of: fc.constantFrom(0, 1),
  }),
  { minLength: 4, maxLength: 24 },
);

const pause = () => new Promise((resolve) => setImmediate(resolve));

/** The fields of the photos' data that are edited here. */
const FIELDS = ['title', 'price', 'note'];
type Edit = {
  readonly photo: number;
  readonly field: string;
  readonly text: string;
  readonly sawBefore: string | null;
};

/** A window as the page has it: what it shows, what it sends, what it is told. */
function photoWindow(id: number, name: string) {
  const here = windowOf(name);
  let pages: PhotoPages = { pages: [], pageParams: [] };
  const edits: Edit[] = [];
  const refused = new Set<string>();
  const load = async () => {
    const held = saves.hold();
    const page = await photos.listPhotos(here, id, 0, 100);
    pages = { pages: [{ ...page, photos: withOwn(page.photos, held()) }], pageParams: [0] };
  };
  const row = (photo: number) => pages.pages[0]!.photos.find((one) => one.id === photo)!;
  let sent = 0;
  const saves = createPhotoSaves(
    async (changes) => {
      const names = (await photos.changePhotos(here, id, changes)).refused;
      // Every third answer is lost on its way: what it was about has arrived.
      if (++sent % 3 === 0) throw new ApiError('offline', 'The server can’t be reached.');
      for (const change of changes)
        if (names.includes(row(change.id).name))
          for (const text of Object.values(change.data ?? {})) refused.add(text!);
      if (names.length > 0) await load();
    },
    () => {},
  );
  const stop = listen(here, `batch ${id}`, ({ by, photos: ids = [] }) => {
    if (by === name || ids.length === 0) return;
    const held = saves.hold();
    void photos.somePhotos(here, id, ids).then((rows: PhotoRow[]) => {
      pages = withOthers(pages, rows, held())!.pages;
    });
  });
  return {
    load,
    row,
    edits,
    refused,
    stop,
    flush: saves.flush,
    edit: (photo: number, field: string, text: string) => {
      const before = row(photo);
      const sawBefore = before.data[field] ?? null;
      edits.push({ photo, field, text, sawBefore });
      const change: PhotoChange = { id: photo, data: { [field]: text } };
      pages = { ...pages, pages: pages.pages.map((page) => ({ ...page, photos: page.photos.map((one) => (one === before ? { ...one, data: { ...one.data, [field]: text } } : one)) })) }; // prettier-ignore
      saves.add([{ ...change, was: { data: { [field]: sawBefore } } }]);
    },
  };
}

test('photos: what one wrote is there, or was overwritten by somebody who saw it, or was refused aloud', async () => {
  const here = windowOf('setup');
  const id = await batches.createBatch(here, 'Two');
  for (const name of PHOTOS) {
    await mkdir(here.files.arrivals(), { recursive: true });
    const path = `${here.files.arrivals()}/${name}`;
    await copyFile(`demo/photos/products/${name}`, path);
    await photos.takePhoto(here, id, { name, path, ...(await digestFile(path)), tooLarge: false });
  }
  const ids = (await photos.listPhotos(here, id, 0, 9)).photos.map((photo) => photo.id);
  let serial = 0;
  let [refusals, seen] = [0, 0];
  await fc.assert(
    fc.asyncProperty(steps, async (all) => {
      const windows = [photoWindow(id, `a${serial}`), photoWindow(id, `b${serial++}`)];
      for (const window of windows) await window.load();
      for (const { who, does, which, of } of all) {
        if (does === 'edit') windows[who]!.edit(ids[of]!, FIELDS[which]!, `text ${serial++}`);
        else for (let i = 0; i <= which * 8; i++) await pause();
      }
      for (const window of windows) await window.flush();
      for (const window of windows) window.stop();
      const edits = windows.flatMap((window) => window.edits);
      const refused = new Set(windows.flatMap((window) => [...window.refused]));
      const { photos: rows } = await photos.listPhotos(here, id, 0, 9);
      for (const { photo, field, text } of edits) {
        const isThere = rows.find((row) => row.id === photo)!.data[field] === text;
        const isSeen = edits.some(
          (later) => later.photo === photo && later.field === field && later.sawBefore === text,
        );
        expect([text, isThere || isSeen || refused.has(text)]).toEqual([text, true]);
        if (!isThere && isSeen) seen++;
        if (!refused.has(text)) continue;
        refusals++;
        // Nobody is refused but where the other one was at the same.
        const mine = windows.find((window) => window.edits.some((edit) => edit.text === text))!;
        const theirs = windows.filter((window) => window !== mine).flatMap((window) => window.edits);
        expect([text, theirs.some((edit) => edit.photo === photo)]).toEqual([text, true]);
      }
    }),
    { numRuns: 60 },
  );
  // Of each there was some: else the test would say nothing.
  expect([refusals > 0, seen > 0]).toEqual([true, true]);
});

const COLOURS = ['#112233', '#445566', '#778899'];

test('templates: no save changes what its window has not changed itself', async () => {
  const here = windowOf('setup');
  let serial = 0;
  let [joins, follows] = [0, 0];
  await fc.assert(
    fc.asyncProperty(steps, async (all) => {
      const id = await batches.createBatch(here, `Draft ${serial++}`);
      const first = (await batches.batchDetail(here, id)).template;
      const accepted: { readonly by: number; readonly before: Template; readonly after: Template }[] = [];
      let server = first;
      const windows = [0, 1].map((by) => {
        const own = windowOf(`w${by} ${id}`);
        let template = first;
        const edited: Record<string, unknown>[] = [];
        let isConflict = false;
        const saves = createDraftSaves({
          current: () => template,
          revision: 0,
          window: `w${by} ${id}`,
          send: async (save) => {
            const revision = await batches.saveDraft(own, id, save.template, save.revision, { window: save.window, change: save.change }); // prettier-ignore
            accepted.push({ by, before: server, after: save.template });
            server = save.template;
            return { revision };
          },
          onState: ({ kind }) => (isConflict = kind === 'conflict'),
        });
        const join = async () => {
          const { template: theirs, revision } = await batches.batchDetail(own, id);
          template = saves.join(theirs, revision).both;
        };
        const stop = listen(own, `batch ${id}`, async ({ by: window }) => {
          if (window === `w${by} ${id}` || saves.isWaiting()) return;
          const { revision } = await batches.batchDetail(own, id);
          if (saves.isWaiting() || revision <= saves.revision()) return;
          follows++;
          await join();
        });
        return {
          stop,
          edited,
          edit: (fields: Partial<Template>) => {
            edited.push(fields);
            template = { ...template, ...fields };
            void saves.flush();
          },
          settle: async () => {
            await saves.flush();
            while (isConflict) {
              joins++;
              isConflict = false;
              await join();
              await saves.flush();
            }
          },
        };
      });
      for (const { who, does, which, of } of all) {
        const colour = `${COLOURS[which]!.slice(0, 5)}${(serial++ % 256).toString(16).padStart(2, '0')}`;
        if (does === 'edit')
          windows[who]!.edit([{ backdrop: colour }, { name: `Name ${serial}` }, { padding: serial % 50 }][which] as Partial<Template>); // prettier-ignore
        else for (let i = 0; i <= of * 8; i++) await pause();
      }
      for (const window of windows) await window.settle();
      for (const window of windows) window.stop();
      for (const { by, before, after } of accepted)
        for (const key of Object.keys(after) as (keyof Template)[])
          if (JSON.stringify(after[key]) !== JSON.stringify(before[key]))
            expect([key, windows[by]!.edited.some((fields) => fields[key] === after[key])]).toEqual([key, true]);
    }),
    { numRuns: 40 },
  );
  expect([joins > 0, follows > 0]).toEqual([true, true]);
});
