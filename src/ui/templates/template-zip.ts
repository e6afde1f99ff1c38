/** Several templates in one zip: the file of each, as it is saved alone, and a picture of what it makes. */
import { unzip, zip, type Zippable } from 'fflate';
import { safeName } from '@/core/export';
import { FILE_ENDING, type OpenFields, type Template } from '@/core/template';
import type { StripPhoto } from '@/server/services';
import { previewPool } from '../shared/preview';
import { paint } from '../shared/paint';
import { saveBlob } from '../shared/save-file';
import { cutoutsOf } from './cutouts-of';
import { templateFile } from './template-file';

/** Width of a picture, pixels. */
const WIDTH = 400;

/** Most templates of a zip, and bytes of one of them. */
const [MOST, MOST_BYTES] = [500, 60 * 1024 * 1024];

/** A template and photos to show it on. */
export type Shown = {
  readonly template: Template;
  readonly open: OpenFields;
  readonly photos: readonly StripPhoto[];
  readonly batch: string;
};

async function pictureOf({ template, photos, batch }: Shown): Promise<Uint8Array | null> {
  const [photo] = cutoutsOf(template, photos, batch);
  if (!photo) return null;
  const [drawn] = await previewPool().draw(template, WIDTH, [photo]);
  if (!drawn || !('pixels' in drawn)) return null;
  const canvas = document.createElement('canvas');
  paint(canvas, drawn);
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  return blob && new Uint8Array(await blob.arrayBuffer());
}

/** Names as files may have them, each once. */
function fileNames(templates: readonly Shown[]): string[] {
  const taken = new Set<string>();
  return templates.map(({ template }) => {
    const name = safeName(template.name);
    let free = name;
    for (let n = 2; taken.has(free.toLowerCase()); n++) free = `${name} ${n}`;
    taken.add(free.toLowerCase());
    return free;
  });
}

/** Saves templates as one zip with all that they show. */
export async function takeOutAll(templates: readonly Shown[]): Promise<void> {
  const names = fileNames(templates);
  const files: Zippable = {};
  for (const [i, one] of templates.entries()) {
    files[`${names[i]}${FILE_ENDING}`] = new TextEncoder().encode(await templateFile(one.template, one.open));
    const picture = await pictureOf(one);
    // It is packed already.
    if (picture) files[`${names[i]}.png`] = [picture, { level: 0 }];
  }
  const packed = await new Promise<Uint8Array>((resolve, reject) =>
    zip(files, (error, data) => (error ? reject(error) : resolve(data))),
  );
  saveBlob('templates.zip', new Blob([new Uint8Array(packed)], { type: 'application/zip' }));
}

/**
 * The templates' files in a zip; whatever else is in it is left there.
 *
 * @throws Error where it is none, holds none, or one that is too large
 */
export async function filesIn(zipped: File): Promise<File[]> {
  const isWanted = (name: string) => name.toLowerCase().endsWith('.json') && !name.startsWith('__MACOSX/');
  let tooLarge = '';
  let count = 0;
  const packed = new Uint8Array(await zipped.arrayBuffer());
  const files = await new Promise<Record<string, Uint8Array>>((resolve, reject) =>
    unzip(
      packed,
      {
        filter: ({ name, originalSize }) => {
          if (!isWanted(name) || ++count > MOST) return false;
          if (originalSize > MOST_BYTES) tooLarge = name;
          return originalSize <= MOST_BYTES;
        },
      },
      (error, data) => (error ? reject(new Error(`${zipped.name} is not a zip, or broken.`)) : resolve(data)),
    ),
  );
  if (tooLarge) throw new Error(`${tooLarge} in ${zipped.name} is larger than ${MOST_BYTES / 1024 / 1024} MB.`);
  if (count > MOST) throw new Error(`${zipped.name} holds more than ${MOST} templates.`);
  const names = Object.keys(files).sort();
  if (names.length === 0) throw new Error(`${zipped.name} holds no template: no file in it ends in .json.`);
  return names.map((name) => new File([new Uint8Array(files[name]!)], name.split('/').at(-1)!));
}
