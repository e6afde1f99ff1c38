import { batches, templates } from '.';
import { services } from './testing';

services();

async function savedAs(name: string): Promise<number> {
  const batch = await batches.createBatch('Any');
  await templates.saveTemplate(batch, name, 0);
  return (await templates.listTemplates()).find((template) => template.name === name)!.id;
}

test('a renamed template is used under its new name; a name that is taken is refused', async () => {
  const id = await savedAs('Old name');
  await savedAs('Taken');
  await templates.renameTemplate(id, 'New name');
  expect((await templates.listTemplates()).find((one) => one.id === id)).toMatchObject({
    name: 'New name',
    template: { name: 'New name' },
  });
  const batch = await batches.createBatch('Later', id);
  expect(await batches.batchDetail(batch)).toMatchObject({
    template: { name: 'New name' },
    saved: { name: 'New name' },
  });
  await expect(templates.renameTemplate(id, 'Taken')).rejects.toMatchObject({ code: 'conflict', at: 'name' });
  await expect(templates.renameTemplate(9999, 'X')).rejects.toMatchObject({ code: 'not-found' });
});

test('a deleted template leaves its batches with their own copy', async () => {
  const id = await savedAs('To go');
  const batch = await batches.createBatch('Keeps it', id);
  await templates.deleteTemplate(id);
  expect(await batches.batchDetail(batch)).toMatchObject({ template: { name: 'To go' }, saved: null });
  expect((await templates.listTemplates()).some((one) => one.id === id)).toBe(false);
  await expect(templates.deleteTemplate(id)).rejects.toMatchObject({ code: 'not-found' });
});
