import { batches, photos, templateCards, templates } from '.';
import { services, SMALL } from './testing';

const { here, arrival } = services();

async function savedAs(name: string): Promise<number> {
  const batch = await batches.createBatch(here, 'Any');
  await templates.saveTemplate(here, batch, name, 0);
  return (await templates.listTemplates(here)).find((template) => template.name === name)!.id;
}

test('a renamed template is used under its new name; a name that is taken is refused', async () => {
  const id = await savedAs('Old name');
  await savedAs('Taken');
  await templates.changeTemplate(here, id, { name: 'New name' });
  expect((await templates.listTemplates(here)).find((one) => one.id === id)).toMatchObject({
    name: 'New name',
    template: { name: 'New name' },
  });
  const batch = await batches.createBatch(here, 'Later', id);
  expect(await batches.batchDetail(here, batch)).toMatchObject({
    template: { name: 'New name' },
    saved: { name: 'New name' },
  });
  await expect(templates.changeTemplate(here, id, { name: 'Taken' })).rejects.toMatchObject({
    code: 'conflict',
    at: 'name',
  });
  await expect(templates.changeTemplate(here, 9999, { name: 'X' })).rejects.toMatchObject({ code: 'not-found' });
});

test('a deleted template leaves its batches with their own copy', async () => {
  const id = await savedAs('To go');
  const batch = await batches.createBatch(here, 'Keeps it', id);
  await templates.deleteTemplate(here, id);
  expect(await batches.batchDetail(here, batch)).toMatchObject({ template: { name: 'To go' }, saved: null });
  expect((await templates.listTemplates(here)).some((one) => one.id === id)).toBe(false);
  await expect(templates.deleteTemplate(here, id)).rejects.toMatchObject({ code: 'not-found' });
});

const cards = (fields: object = {}) => templateCards.listCards(here, templateCards.cardsSchema.parse(fields));
const names = async (fields: object = {}) => (await cards(fields)).cards.map(({ name }) => name);

describe('cards', () => {
  test('who uses a template, on which version, with the cutouts of the batch that used it last', async () => {
    const id = await savedAs('Card');
    const batch = await batches.createBatch(here, 'Uses it', id);
    for (const name of SMALL) await photos.takePhoto(here, batch, await arrival(name));
    const { cards: all } = await cards({ search: 'card' });
    expect(all).toHaveLength(1);
    expect(all[0]).toMatchObject({ name: 'Card', version: 1, useCount: 2, usedIn: [{ id: batch, version: 1 }, { name: 'Any' }] }); // prettier-ignore
    expect(all[0]!.strip).toHaveLength(3);
  });

  test('found by name and tag as they are typed, sorted, page by page', async () => {
    const [a, b] = [await savedAs('100 % wool'), await savedAs('100 tiles')];
    await templates.changeTemplate(here, a, { tags: ['shop', 'autumn'] });
    await templates.changeTemplate(here, b, { tags: ['shop'] });
    expect(await names({ search: '100 %' })).toEqual(['100 % wool']);
    expect(await names({ tag: 'shop', sort: 'newest' })).toEqual(['100 tiles', '100 % wool']);
    expect(await names({ search: 'autumn' })).toEqual(['100 % wool']);
    expect((await cards()).tags).toEqual(['autumn', 'shop']);
    const whole = await names();
    expect([...(await names({ limit: '2' })), ...(await names({ offset: '2', limit: '100' }))]).toEqual(whole);
  });

  test('one that is put away is in no list until it is brought back, or saved again', async () => {
    const id = await savedAs('Summer');
    await templates.changeTemplate(here, id, { archived: true });
    expect(await names({ search: 'summer' })).toEqual([]);
    expect((await templates.listTemplates(here)).some(({ name }) => name === 'Summer')).toBe(false);
    expect(await names({ archived: 'true' })).toEqual(['Summer']);
    await savedAs('Summer');
    expect((await cards({ search: 'summer' })).cards[0]).toMatchObject({ version: 2, archivedAt: null });
  });
});

describe('versions', () => {
  test('each with its note; an old one is brought back as the newest, and nothing that was saved changes', async () => {
    const batch = await batches.createBatch(here, 'Any');
    const draft = (width: number) => ({ wobrel: 1, name: 'T', borders: [{ width }] });
    for (const [i, width] of [4, 9].entries()) {
      const revision = await batches.saveDraft(here, batch, draft(width), i * 2);
      await templates.saveTemplate(here, batch, 'Versions', revision, i === 1 ? 'wider' : null);
    }
    const { id } = (await cards({ search: 'Versions' })).cards[0]!;
    expect(await templates.bringBack(here, id, 1)).toEqual({ version: 3 });
    const { versions } = await templateCards.templateHistory(here, id);
    expect(versions.map(({ version, note, template }) => [version, note, template.borders[0]!.width])).toEqual([
      [3, 'as version 1 was', 4],
      [2, 'wider', 9],
      [1, null, 4],
    ]);
    await expect(templates.bringBack(here, id, 9)).rejects.toMatchObject({ code: 'not-found' });
    await expect(templateCards.templateHistory(here, 999)).rejects.toMatchObject({ code: 'not-found' });
  });

  test('batches follow a new name, unless they have one of their own', async () => {
    const id = await savedAs('Before');
    const [follows, own] = [await batches.createBatch(here, 'A', id), await batches.createBatch(here, 'B', id)];
    await batches.saveDraft(here, own, { wobrel: 1, name: 'Mine' }, 0);
    await templates.changeTemplate(here, id, { name: 'After' });
    expect((await batches.batchDetail(here, follows)).template.name).toBe('After');
    expect((await batches.batchDetail(here, own)).template.name).toBe('Mine');
  });
});

describe('what may be changed in batches', () => {
  const document = { wobrel: 1, name: 'Locked', borders: [{ width: 4 }] };

  test('is refused with its field; what is open, and a copy, are not', async () => {
    const { id } = await templates.createTemplate(here, document, false);
    await templates.changeTemplate(here, id, { open: ['borders'] });
    const batch = await batches.createBatch(here, 'Uses it', id);
    expect((await batches.batchDetail(here, batch)).saved).toMatchObject({ open: ['borders'] });
    await batches.saveDraft(here, batch, { ...document, borders: [{ width: 9 }] }, 0);
    const feathered = { ...document, borders: [{ width: 9 }], edge: { feather: 4 } };
    await expect(batches.saveDraft(here, batch, feathered, 1)).rejects.toMatchObject({ code: 'locked', at: 'edge' });
    expect((await batches.batchDetail(here, batch)).template.edge.feather).toBe(0);
    await expect(templates.applyTemplate(here, batch, id, 1, feathered)).rejects.toMatchObject({ code: 'locked' });
    await templates.saveTemplate(here, batch, 'A copy of it', 1);
    await batches.saveDraft(here, batch, { ...feathered, name: 'A copy of it' }, 2);
  });

  test('a batch that was other before may stay so', async () => {
    const { id } = await templates.createTemplate(here, { ...document, name: 'Locked later' }, false);
    const batch = await batches.createBatch(here, 'Uses it', id);
    const own = { ...document, name: 'Locked later', backdrop: '#ffffff' };
    await batches.saveDraft(here, batch, own, 0);
    await templates.changeTemplate(here, id, { open: ['borders'] });
    await batches.saveDraft(here, batch, { ...own, borders: [] }, 1);
    await batches.saveDraft(here, batch, { ...own, backdrop: null }, 2);
    await expect(batches.saveDraft(here, batch, own, 3)).rejects.toMatchObject({ code: 'locked', at: 'backdrop' });
    await templates.changeTemplate(here, id, { open: null });
    await batches.saveDraft(here, batch, own, 3);
  });
});

describe('from a file', () => {
  const document = { wobrel: 1, name: 'Brought in', shape: { kind: 'star' } };

  test('a new one, or a version of the one that is called so; what is wrong is told with its path', async () => {
    expect(await templates.readTemplate(here, document)).toMatchObject({ nextVersion: null, template: { shape: { kind: 'star' } } }); // prettier-ignore
    expect(await templates.createTemplate(here, document, false)).toMatchObject({ version: 1 });
    expect(await templates.readTemplate(here, document)).toMatchObject({ nextVersion: 2 });
    await expect(templates.createTemplate(here, document, false)).rejects.toMatchObject({
      code: 'conflict',
      at: 'name',
    });
    expect(await templates.createTemplate(here, document, true, 'from Ana')).toMatchObject({ version: 2 });
    await expect(templates.readTemplate(here, { ...document, edge: { rounding: -1 } })).rejects.toMatchObject({ at: 'edge.rounding' }); // prettier-ignore
    const picture = 'a'.repeat(64);
    await expect(templates.createTemplate(here, { ...document, name: 'P', before: [{ show: 'picture', picture }] }, false)).rejects.toMatchObject({ code: 'picture-missing' }); // prettier-ignore
  });
});
