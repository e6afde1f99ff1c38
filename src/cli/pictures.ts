/** Pictures that come along in a template's file. */
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { z } from 'zod';
import { WobrelError } from '../core/errors';
import { openOf, picturesOf, type OpenFields, type Template } from '../core/template';
import type { PicturePaths } from '../server/pictures';
import { sha256Of } from '../server/store';

const packedSchema = z.record(z.string().regex(/^[0-9a-f]{64}$/), z.base64());

/** What a template's file holds: the document, pictures as base64 of files by their SHA-256, and what batches may change. */
export type Unpacked = {
  readonly document: unknown;
  readonly packed: Readonly<Record<string, string>>;
  readonly open: OpenFields;
};

/** @throws WobrelError `template-invalid` with the field at fault */
export function unpacked(file: unknown): Unpacked {
  if (typeof file !== 'object' || file === null || Array.isArray(file))
    return { document: file, packed: {}, open: null };
  const { pictures = {}, open, ...document } = file as Readonly<Record<string, unknown>>;
  const packed = packedSchema.safeParse(pictures);
  if (!packed.success)
    throw new WobrelError('template-invalid', 'pictures: expected base64 files by their SHA-256', 'pictures');
  return { document, packed: packed.data, open: openOf(open) };
}

export type PictureFiles = { readonly paths: PicturePaths; readonly remove: () => Promise<void> };

/**
 * The pictures that a template shows, as files until `remove`.
 *
 * @throws WobrelError `picture-missing` with the field, or `template-invalid` where a sum is wrong
 */
export async function pictureFiles(
  template: Template,
  packed: Readonly<Record<string, string>>,
): Promise<PictureFiles> {
  const wanted = picturesOf(template);
  const missing = wanted.find(({ sha256 }) => !(sha256 in packed));
  if (missing)
    throw new WobrelError('picture-missing', `${missing.at}: the file does not hold this picture`, missing.at);
  if (wanted.length === 0) return { paths: {}, remove: async () => {} };
  const folder = await mkdtemp(join(tmpdir(), 'wobrel-pictures-'));
  const remove = () => rm(folder, { recursive: true, force: true });
  const paths: Record<string, string> = {};
  try {
    for (const { sha256 } of wanted) {
      const data = Buffer.from(packed[sha256]!, 'base64');
      if (sha256Of(data) !== sha256)
        throw new WobrelError('template-invalid', `pictures: ${sha256} is another file’s sum`, 'pictures');
      paths[sha256] = join(folder, sha256);
      await writeFile(paths[sha256], data);
    }
  } catch (error) {
    await remove();
    throw error;
  }
  return { paths, remove };
}
