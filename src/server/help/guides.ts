/** The guides of the Help page, out of docs/help, and the pictures that they show. */
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { WobrelError } from '../../core/errors';

export type Guide = {
  /** Its place on the page: the file's name without number and ending. */
  readonly id: string;
  readonly title: string;
  /** Markdown below the title; pictures are named as `pictureOf` takes them. */
  readonly body: string;
};

const docs = () => join(/*turbopackIgnore: true*/ process.cwd(), 'docs');

/** The first line is the title; pictures lie in docs/screenshots. */
function guideOf(file: string, text: string): Guide {
  const [first = '', ...rest] = text.split('\n');
  return {
    id: file.replace(/^\d+-/, '').replace(/\.md$/, ''),
    title: first.replace(/^#\s*/, ''),
    body: rest.join('\n').trim().replaceAll('](../screenshots/', '](/api/help/pictures/'),
  };
}

/** All guides, in the order of their files' numbers. */
export async function guides(): Promise<Guide[]> {
  const folder = join(docs(), 'help');
  const files = (await readdir(folder)).filter((name) => name.endsWith('.md'));
  files.sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
  return Promise.all(files.map(async (name) => guideOf(name, await readFile(join(folder, name), 'utf8'))));
}

/** A picture of the guides as PNG, by its file's name: only one that lies there is opened. */
export async function pictureOf(name: string | undefined): Promise<Buffer> {
  const folder = join(docs(), 'screenshots');
  const file = (await readdir(folder)).find((one) => one === name && one.endsWith('.png'));
  if (!file) throw new WobrelError('not-found', 'There is no such picture.');
  return readFile(join(folder, file));
}
