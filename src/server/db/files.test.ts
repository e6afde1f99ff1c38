import { mkdirSync, mkdtempSync, rmSync, statSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeFolder } from '../store';
import { holdFolder, migrateDatabase, openDatabase, openFile } from '.';

let folder: string;
beforeEach(() => void (folder = mkdtempSync(join(tmpdir(), 'wobrel-files-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

test('one process at a time works in a folder, and the next one when it has let go', async () => {
  const letGo = await holdFolder(folder);
  await expect(holdFolder(folder)).rejects.toThrow(
    expect.objectContaining({ code: 'in-use', message: expect.stringContaining(`Another Wobrel works in ${folder}`) }),
  );
  letGo();
  (await holdFolder(folder))();
});

test('a damaged database is told by its file', async () => {
  const path = join(folder, 'damaged.db');
  writeFileSync(path, 'a letter, no database, and long enough to be one');
  await expect(migrateDatabase(openDatabase(path).db, path)).rejects.toThrow(
    `${path} could not be read: the file is damaged, or no database.`,
  );
});

test('so is one that can’t be opened', () => {
  const path = join(folder, 'taken.db');
  mkdirSync(path);
  expect(() => openFile(path)).toThrow(`${path} could not be opened: it can’t be made or read, or is no file.`);
});

test('what is secret is readable by nobody else', () => {
  const path = join(folder, 'secret.db');
  openFile(path, { isSecret: true }).close();
  expect(statSync(path).mode & 0o777).toBe(0o600);
});

test('a folder is made with those above it, or it is said why not', async () => {
  await makeFolder(join(folder, 'a', 'b'));
  await makeFolder(join(folder, 'a', 'b'));
  writeFileSync(join(folder, 'file'), '');
  symlinkSync(join(folder, 'nowhere'), join(folder, 'link'));
  await expect(makeFolder(join(folder, 'file', 'b'))).rejects.toThrow('part of the path is a file, not a folder');
  for (const path of [join(folder, 'file'), join(folder, 'link'), '/proc/wobrel/a'])
    await expect(makeFolder(path)).rejects.toThrow(`Nothing could be written to ${path}: it can’t be made a folder.`);
});
