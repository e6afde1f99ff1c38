import { readFileSync } from 'node:fs';
import { mkdir, readdir } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { manifestSchema } from '../../core/export';
import { parseTemplate } from '../../core/template';
import { tables } from '../db';
import { digestFile } from '../store';
import { batches, deliveries, photos, templates } from '.';
import { putInOrder } from './photo-order';
import { countFindings } from './findings';
import { DEMO, services, SMALL } from './testing';

const { here, arrival, batchWith, run } = services();

describe('what is seen and changed by hand', () => {
  test('a photo is looked at as it comes in, once for all batches, and again by a newer finder', async () => {
    const first = await batchWith(['slate-mug-07.jpg']);
    const second = await batchWith(['slate-mug-07.jpg']);
    const [a, b] = [await photos.listPhotos(here, first, 0, 9), await photos.listPhotos(here, second, 0, 9)];
    expect(a.photos[0]!.sight).toMatchObject({
      faces: [],
      subject: { count: 1 },
      ground: { plain: expect.any(Number) },
    });
    expect(b.photos[0]!.sight).toEqual(a.photos[0]!.sight);
    await here.write(async (tx) => {
      await tx.update(tables.sights).set({ version: 0, document: {} });
    });
    expect(await photos.lookAtAll(here)).toBeGreaterThan(0);
    expect((await photos.listPhotos(here, first, 0, 9)).photos[0]!.sight).toEqual(a.photos[0]!.sight);
    expect(await photos.lookAtAll(here)).toBe(0);
  });

  test('photos are in the order of their names, where a number counts as one, and those of before are put in it', async () => {
    const batch = await batchWith([]);
    for (const [i, name] of ['mug 10.jpg', 'Mug 9.jpg', 'mug 1.jpg'].entries())
      await photos.takePhoto(here, batch, await arrival(SMALL[i]!, name));
    const listed = async () => (await photos.listPhotos(here, batch, 0, 9)).photos.map(({ name }) => name);
    expect(await listed()).toEqual(['mug 1.jpg', 'Mug 9.jpg', 'mug 10.jpg']);
    await here.write(async (tx) => void (await tx.update(tables.photos).set({ nameKey: '' })));
    expect(await listed()).toEqual(['Mug 9.jpg', 'mug 1.jpg', 'mug 10.jpg']);
    await putInOrder(here);
    expect(await listed()).toEqual(['mug 1.jpg', 'Mug 9.jpg', 'mug 10.jpg']);
  });

  test('changes of photos are kept, all or none, and only of their own batch', async () => {
    const [mine, other] = [await batchWith(SMALL), await batchWith(SMALL.slice(0, 1))];
    const [one, two] = (await photos.listPhotos(here, mine, 0, 9)).photos;
    const [foreign] = (await photos.listPhotos(here, other, 0, 9)).photos;
    const adjustment = { x: 0.1, y: 0, scale: 1.5, angle: -3 };
    await photos.changePhotos(here, mine, [
      { id: one!.id, adjustment, review: 'good' },
      { id: two!.id, handSubject: { point: [0.2, 0.4] } },
      { id: foreign!.id, review: 'out' },
    ]);
    const after = (await photos.listPhotos(here, mine, 0, 9)).photos;
    expect(after[0]).toMatchObject({ adjustment, review: 'good', handSubject: null });
    expect(after[1]).toMatchObject({ handSubject: { point: [0.2, 0.4] }, review: 'open' });
    expect((await photos.listPhotos(here, other, 0, 9)).photos[0]!.review).toBe('open');
    expect(
      photos.photoChangesSchema.safeParse([{ id: 1, adjustment: { x: 0, y: 0, scale: 0, angle: 0 } }]).success,
    ).toBe(false);
  });

  test('what is left out is not delivered; what placed a photo stays with its delivery', async () => {
    const batch = await batchWith(SMALL, { centring: { rule: 'subject', size: 0.6, gap: 'extend' } });
    const [one, two] = (await photos.listPhotos(here, batch, 0, 9)).photos;
    await photos.changePhotos(here, batch, [
      { id: one!.id, review: 'out' },
      { id: two!.id, adjustment: { x: 0.25, y: 0, scale: 1, angle: 0 } },
    ]);
    const id = await deliveries.startDelivery(here, batch);
    await photos.changePhotos(here, batch, [{ id: two!.id, adjustment: null }]);
    await run(id);
    const { items } = manifestSchema.parse(await deliveries.manifestOf(here, id));
    expect(items.map(({ photo }) => photo)).not.toContain(one!.name);
    const item = items.find(({ photo }) => photo === two!.name)!;
    expect(item.subject!.off).toEqual([expect.closeTo(0.25, 9), expect.closeTo(0, 9)]);
    expect(item.findings.map(({ check }) => check)).toContain('spot');
  });
});

test('photos much longer than wide are taken, and that they could not be looked at is a finding', async () => {
  const id = await batches.createBatch(here, 'Thin');
  await mkdir(here.files.arrivals(), { recursive: true });
  for (const [width, height] of [
    [12_800, 50],
    [600, 2],
    [1, 20_000],
  ] as const) {
    const path = join(here.files.arrivals(), `${width}`);
    await sharp({ create: { width, height, channels: 3, background: '#336699' } })
      .png()
      .toFile(path);
    const name = `${width}.png`;
    const taken = await photos.takePhoto(here, id, { name, path, ...(await digestFile(path)), tooLarge: false });
    expect(taken).toMatchObject({ outcome: 'kept', photo: { width, height } });
    const { sight, unseen } = (taken as Extract<typeof taken, { outcome: 'kept' }>).photo;
    expect(unseen).toBe(sight === null);
  }
  // Nothing is left to be looked at again at the next start.
  await photos.lookAtAll(here);
  expect(await photos.lookAtAll(here)).toBe(0);
  const delivery = await deliveries.startDelivery(here, id);
  await run(delivery);
  const { items } = await deliveries.manifestOf(here, delivery);
  expect(items.map(({ error }) => error)).toEqual([null, null, null]);
});

describe('photos', () => {
  test('one that is taken is stored by its content, with two proxies', async () => {
    const id = await batches.createBatch(here, 'Photos');
    const file = await arrival('celadon-mug-01.jpg');
    const received = await photos.takePhoto(here, id, file);
    expect(received).toMatchObject({ outcome: 'kept', photo: { name: 'celadon-mug-01.jpg', hasAlpha: false } });
    expect((await digestFile(here.files.original(file.sha256))).sha256).toBe(file.sha256);
    for (const size of [512, 2048] as const)
      expect(readFileSync(here.files.proxy(file.sha256, size)).length).toBeGreaterThan(1000);
    expect(await readdir(here.files.arrivals())).toEqual([]);
  });

  test('one that was cut out before is of what is opaque, although its proxies lie on white', async () => {
    const id = await batches.createBatch(here, 'Cut out');
    await mkdir(here.files.arrivals(), { recursive: true });
    const path = join(here.files.arrivals(), 'cut-out');
    const white = { create: { width: 200, height: 120, channels: 3, background: '#fff' } } as const;
    await sharp(white).extend({ top: 80, bottom: 100, left: 40, right: 160, background: '#0000' }).png().toFile(path);
    const taken = await photos.takePhoto(here, id, { name: 'a.png', path, ...(await digestFile(path)), tooLarge: false }); // prettier-ignore
    const { sight, hasAlpha } = (taken as Extract<typeof taken, { outcome: 'kept' }>).photo;
    expect([hasAlpha, sight!.subject!.confidence]).toEqual([true, 1]);
    const wanted = [40 / 400, 80 / 300, 200 / 400, 120 / 300];
    sight!.subject!.box.forEach((share, k) => expect(Math.abs(share - wanted[k]!)).toBeLessThan(0.002));
  });

  test('the same picture twice is kept once and said so; in another batch it is taken', async () => {
    const [one, two] = [await batches.createBatch(here, 'One'), await batches.createBatch(here, 'Two')];
    await photos.takePhoto(here, one, await arrival('slate-mug-07.jpg'));
    expect(await photos.takePhoto(here, one, await arrival('copy-of-slate-mug-07.jpg'))).toMatchObject({
      outcome: 'refused',
      message: 'The same picture is in the batch already, as slate-mug-07.jpg.',
    });
    expect(await photos.takePhoto(here, two, await arrival('copy-of-slate-mug-07.jpg'))).toMatchObject({
      outcome: 'kept',
    });
    expect((await batches.batchDetail(here, one)).refusalCount).toBe(1);
  });

  test('what is refused is listed with why, leaves nothing behind, and the list can be cleared', async () => {
    const id = await batches.createBatch(here, 'Refused');
    const broken = await arrival('kiln-load-cut-short.jpg');
    for (const file of [broken, await arrival('price-list.jpg'), await arrival('empty.jpg')])
      expect((await photos.takePhoto(here, id, file)).outcome).toBe('refused');
    const { refusals, refusalCount, photoCount } = await batches.batchDetail(here, id);
    expect([refusalCount, photoCount]).toEqual([3, 0]);
    expect(refusals.map((r) => r.name)).toEqual(['empty.jpg', 'price-list.jpg', 'kiln-load-cut-short.jpg']);
    expect(() => readFileSync(here.files.original(broken.sha256))).toThrow(/ENOENT/);
    await batches.clearRefusals(here, id);
    expect((await batches.batchDetail(here, id)).refusalCount).toBe(0);
  });

  test('a name is shown without folders, control characters and marks that turn the writing round', async () => {
    const id = await batches.createBatch(here, 'Names');
    await photos.takePhoto(here, id, await arrival('slate-mug-07.jpg', 'C:\\pots\\../a\u0000b\u202e.jpg'));
    expect((await photos.listPhotos(here, id, 0, 10)).photos.map((p) => p.name)).toEqual(['ab.jpg']);
  });

  test('are listed by name in pages, and can be taken out', async () => {
    const id = await batchWith(SMALL);
    const first = await photos.listPhotos(here, id, 0, 2);
    const second = await photos.listPhotos(here, id, 2, 2);
    expect(first.total).toBe(3);
    expect([...first.photos, ...second.photos].map((p) => p.name)).toEqual([...SMALL].sort());
    await photos.removePhotos(here, id, [first.photos[0]!.id]);
    expect((await photos.listPhotos(here, id, 0, 9)).total).toBe(2);
  });
});

describe('the template of a batch', () => {
  test('is kept by revision: a change made on an old one is a conflict', async () => {
    const id = await batches.createBatch(here, 'Revisions');
    const next = await batches.saveDraft(here, id, { wobrel: 1, name: 'A' }, 0);
    expect(next).toBe(1);
    await expect(batches.saveDraft(here, id, { wobrel: 1, name: 'B' }, 0)).rejects.toMatchObject({ code: 'conflict' });
    expect((await batches.batchDetail(here, id)).template.name).toBe('A');
  });

  test('that is wrong is refused with its path and changes nothing', async () => {
    const id = await batches.createBatch(here, 'Wrong');
    await expect(
      batches.saveDraft(here, id, { wobrel: 1, name: 'A', borders: [{ width: -2 }] }, 0),
    ).rejects.toMatchObject({
      at: 'borders[0].width',
    });
    expect((await batches.batchDetail(here, id)).revision).toBe(0);
  });

  test('saved under a name becomes version after version; another batch takes the newest', async () => {
    const id = await batches.createBatch(here, 'Saves');
    expect(await templates.saveTemplate(here, id, 'Tile', 0)).toMatchObject({ version: 1 });
    const { revision } = await batches.batchDetail(here, id);
    const next = await batches.saveDraft(here, id, { wobrel: 1, name: 'Tile', borders: [{ width: 5 }] }, revision);
    const { id: templateId, version } = await templates.saveTemplate(here, id, 'Tile', next);
    expect(version).toBe(2);
    const versions = await here.db.select().from(tables.templateVersions);
    expect(versions.map((v) => [v.version, parseTemplate(v.document).borders.length])).toEqual([[1, 0], [2, 1]]); // prettier-ignore
    const other = await batches.createBatch(here, 'Other', templateId);
    expect((await batches.batchDetail(here, other)).saved).toMatchObject({ name: 'Tile', version: 2 });
    const third = await batches.createBatch(here, 'Third');
    await templates.applyTemplate(here, third, templateId, 0);
    expect((await batches.batchDetail(here, third)).template.borders).toHaveLength(1);
    expect((await templates.listTemplates(here)).map((t) => [t.name, t.version])).toEqual([['Tile', 2]]);
  });

  test('a window that is left in mid-save keeps its last change, in whatever order its saves arrive', async () => {
    const named = (name: string) => ({ wobrel: 1, name });
    const nameOf = async (id: number) => (await batches.batchDetail(here, id)).template.name;
    const [one, two] = [await batches.createBatch(here, 'One'), await batches.createBatch(here, 'Two')];
    const own = (change: number) => ({ window: 'w', change });
    // The second was sent before the first was answered: both were made on revision 0.
    await batches.saveDraft(here, one, named('first'), 0, own(1));
    expect(await batches.saveDraft(here, one, named('second'), 0, own(2))).toBe(2);
    expect(await nameOf(one)).toBe('second');
    await batches.saveDraft(here, two, named('second'), 0, own(2));
    expect(await batches.saveDraft(here, two, named('first'), 0, own(1))).toBe(1);
    expect(await nameOf(two)).toBe('second');
    // Another window's change in between is still guarded.
    await batches.saveDraft(here, one, named('theirs'), 2, { window: 'other', change: 1 });
    await expect(batches.saveDraft(here, one, named('third'), 0, own(3))).rejects.toMatchObject({ code: 'conflict' });
  });

  test('saving under a name, and using another template, don’t overwrite a newer draft', async () => {
    const id = await batches.createBatch(here, 'Two windows');
    const { id: templateId } = await templates.saveTemplate(here, id, 'Guarded', 0);
    await batches.saveDraft(here, id, { wobrel: 1, name: 'Newer', borders: [{ width: 9 }] }, 1);
    const late = { code: 'conflict', message: expect.stringContaining('changed in another window') };
    await expect(templates.saveTemplate(here, id, 'Guarded', 1)).rejects.toMatchObject(late);
    await expect(templates.applyTemplate(here, id, templateId, 1)).rejects.toMatchObject(late);
    expect((await batches.batchDetail(here, id)).template.name).toBe('Newer');
    expect((await templates.listTemplates(here)).find((t) => t.name === 'Guarded')!.version).toBe(1);
  });

  test('a template that would take for ever is refused within a moment, and nothing waits meanwhile', async () => {
    const id = await batches.createBatch(here, 'Intricate');
    const seal = (i: number) => ({ kind: 'seal', lobes: 40, box: { cx: 300 + i, cy: 500, width: 300, height: 300 } });
    const parts = Array.from({ length: 80 }, (_, i) => ({ op: i % 2 ? 'cut' : 'add', shape: seal(i) }));
    let longest = 0;
    let last = performance.now();
    const watch = setInterval(() => {
      longest = Math.max(longest, performance.now() - last);
      last = performance.now();
    }, 5);
    const saved = batches.saveDraft(here, id, { wobrel: 1, name: 'X', shape: { kind: 'combined', parts } }, 0);
    await expect(saved).rejects.toMatchObject({ code: 'shape-intricate', at: 'shape', message: expect.stringMatching(/^shape: the shape is too intricate/) }); // prettier-ignore
    clearInterval(watch);
    // The work takes seconds; had it been done here, the clock would have stood still as long.
    expect(longest).toBeLessThan(1000);
  });

  test('a document that is kept is read without its outline being worked out', async () => {
    const id = await batches.createBatch(here, 'Kept');
    const disc = { kind: 'circle', box: { cx: 540, cy: 540, width: 900, height: 900 } };
    const parts = Array.from({ length: 400 }, () => ({ op: 'add', shape: disc }));
    await batches.saveDraft(here, id, { wobrel: 1, name: 'Discs', shape: { kind: 'combined', parts } }, 0);
    const { outline } = await batches.batchRow(here, id);
    // Eight arcs, as a circle has: 400 on each other are one.
    expect(outline!.flatMap(({ cubics }) => cubics)).toHaveLength(8);
    expect((await batches.listBatches(here)).find((card) => card.id === id)!.template.shape.box).toMatchObject({
      width: 900,
    });
  });

  test('batches, templates and photos that are not there are said to be so', async () => {
    await expect(batches.batchDetail(here, 9999)).rejects.toMatchObject({
      code: 'not-found',
      message: 'There is no such batch.',
    });
    await expect(batches.createBatch(here, 'X', 9999)).rejects.toMatchObject({ message: 'There is no such template.' });
    expect(await photos.proxiesOf(here, ['0'.repeat(64)], 512)).toEqual([null]);
    await expect(deliveries.deliveryProgress(here, 9999)).rejects.toMatchObject({
      message: 'There is no such delivery.',
    });
  });
});

describe('batch cards', () => {
  test('count photos, refusals and findings, and show photos spread through the batch', async () => {
    // Photos of 1080 px and less behind a circle of 960 px are enlarged; the limit of 0.01 marks all.
    const id = await batchWith([...SMALL, 'price-list.jpg'], { centring: { maxEnlarge: 0.001 } });
    const cardOf = async () => (await batches.listBatches(here)).find((b) => b.id === id)!;
    // Not counted yet: told so, and counted behind the request.
    expect((await cardOf()).findingCount).toBeNull();
    await countFindings(here, id);
    const card = await cardOf();
    expect(card).toMatchObject({ photoCount: 3, refusalCount: 1, findingCount: 3, delivery: null });
    expect(card.strip).toHaveLength(3);
    const { revision } = await batches.batchDetail(here, id);
    await batches.saveDraft(
      here,
      id,
      { wobrel: 1, name: 'T', centring: { maxEnlarge: 100 }, outputs: [{ width: 20 }] },
      revision,
    );
    await countFindings(here, id);
    // None is enlarged too much any more, and nothing else is wrong with them.
    expect((await cardOf()).findingCount).toBe(0);
    await batches.saveDraft(here, id, { wobrel: 1, name: 'T', centring: { maxEnlarge: 0.001 } }, (await batches.batchDetail(here, id)).revision); // prettier-ignore
    // A change of a photo asks for counting again, too.
    const [photo] = (await photos.listPhotos(here, id, 0, 1)).photos;
    await photos.changePhotos(here, id, [{ id: photo!.id, review: 'out' }]);
    await countFindings(here, id);
    expect((await cardOf()).findingCount).toBe(2);
  });

  test('of many photos show five, from first to near last', async () => {
    const names = (await readdir(DEMO)).filter((name) => /^(ash|celadon|cobalt|copper).*jpg$/.test(name)).sort();
    const id = await batchWith(names);
    const { photos: rows } = await photos.listPhotos(here, id, 0, 100);
    const strip = (await batches.listBatches(here)).find((b) => b.id === id)!.strip.map((p) => p.id);
    const step = Math.floor(rows.length / 5);
    expect(rows.length).toBeGreaterThan(12);
    expect(strip).toEqual([0, 1, 2, 3, 4].map((i) => rows[i * step]!.id));
  });

  test('are renamed and deleted; what was exported stays', async () => {
    const id = await batchWith(SMALL.slice(0, 1));
    const delivery = await deliveries.startDelivery(here, id);
    await run(delivery);
    await batches.renameBatch(here, id, 'Renamed');
    expect((await batches.batchDetail(here, id)).name).toBe('Renamed');
    await batches.deleteBatch(here, id);
    await expect(batches.batchDetail(here, id)).rejects.toThrow('no such batch');
    expect(await deliveries.deliveryProgress(here, delivery)).toMatchObject({
      batchId: null,
      batchName: 'Shelf',
      filesDone: 1,
    });
  });
});
