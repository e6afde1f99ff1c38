/** Templates as files: taken out with their pictures, brought in with them. */
import { FILE_ENDING, openOf, picturesOf, templateText, type OpenFields, type Template } from '@/core/template';
import { pictureAddress } from '../pictures/use-pictures';
import { api } from '../shared/api';
import { saveFile } from '../shared/save-file';

async function base64Of(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let binary = '';
  for (let i = 0; i < bytes.length; i += 8192) binary += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return btoa(binary);
}

/** The template's file, with all that it shows and what it locks. */
export async function templateFile(template: Template, open: OpenFields): Promise<string> {
  const pictures: Record<string, string> = {};
  for (const { sha256 } of picturesOf(template)) {
    const answer = await fetch(pictureAddress(sha256));
    if (!answer.ok) throw new Error('A picture of this template is missing.');
    pictures[sha256] ??= await base64Of(await answer.blob());
  }
  return templateText(template, pictures, open);
}

/** Saves the template as one file with all that it shows. */
export const takeOut = async (template: Template, open: OpenFields): Promise<void> =>
  saveFile(`${template.name}${FILE_ENDING}`, await templateFile(template, open), 'application/json');

/** A document as a file held it, its pictures in the library. */
export type BroughtIn = {
  readonly document: Readonly<Record<string, unknown>>;
  readonly template: Template;
  readonly open: OpenFields;
  readonly nextVersion: number | null;
};

/** Largest file that is read: a template with its pictures. */
const MOST_BYTES = 60 * 1024 * 1024;

function parsed(file: File, text: string): Readonly<Record<string, unknown>> {
  let whole: unknown;
  try {
    whole = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    throw new Error(`${file.name} is not a template: it is not JSON.`);
  }
  if (typeof whole !== 'object' || whole === null || Array.isArray(whole)) throw new Error(`${file.name} is not a template: it holds no object.`); // prettier-ignore
  return whole as Readonly<Record<string, unknown>>;
}

/** Brings one picture into the library; it may be kept under another sum than it had. */
async function keepPicture(sha256: string, base64: unknown): Promise<string> {
  if (typeof base64 !== 'string') throw new Error('pictures: expected base64 files by their SHA-256');
  const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
  const form = new FormData();
  form.append('picture', new File([bytes], `${sha256.slice(0, 8)}.png`, { type: 'image/png' }));
  const told = await api<{ pictures: { sha256: string }[] }>('/api/pictures', 'POST', form);
  return told.pictures[0]!.sha256;
}

/**
 * Reads a template's file and has it checked; its pictures are in the library afterwards.
 *
 * @throws Error with the field at fault
 */
export async function bringIn(file: File): Promise<BroughtIn> {
  if (file.size > MOST_BYTES) throw new Error(`${file.name} is larger than ${MOST_BYTES / 1024 / 1024} MB.`);
  const { pictures, open, ...own } = parsed(file, await file.text());
  let text = JSON.stringify(own);
  if (typeof pictures === 'object' && pictures !== null)
    for (const [sha256, base64] of Object.entries(pictures)) {
      if (!/^[0-9a-f]{64}$/.test(sha256)) throw new Error('pictures: expected base64 files by their SHA-256');
      text = text.replaceAll(sha256, await keepPicture(sha256, base64));
    }
  const document = JSON.parse(text) as Readonly<Record<string, unknown>>;
  const read = await api<{ template: Template; nextVersion: number | null }>('/api/templates/read', 'POST', {
    template: document,
  }).catch((error: Error) => {
    throw new Error(`${file.name}: ${error.message}`);
  });
  return { document, open: openOf(open), ...read };
}
