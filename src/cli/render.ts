/** `wobrel render`: photos through a template into a folder, without a server. */
import { mkdir, readdir, readFile, rename } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import PQueue from 'p-queue';
import { checker } from '../core/checks';
import { WobrelError } from '../core/errors';
import { failedItem, namer, placedItem, type Manifest, type ManifestItem } from '../core/export';
import { outsideOf, placer } from '../core/placement';
import { outputHeight, parseTemplate, type Template } from '../core/template';
import { inspectPhoto } from '../server/intake';
import { createRenderPool, matteOf, plateCache } from '../server/render';
import { createSightPool } from '../server/sight';
import { asWriteError, writeWhole } from '../server/store';
import { photoFiles } from './photo-files';

export type RenderCall = { readonly template: string; readonly out: string; readonly photos: readonly string[] };

async function readTemplate(path: string): Promise<Template> {
  const text = await readFile(path, 'utf8').catch(() => {
    throw new WobrelError('no-such-file', `the template can’t be read: ${path}`, path);
  });
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch (error) {
    throw new WobrelError('template-invalid', `${path}: not JSON (${(error as Error).message})`, path);
  }
  try {
    return parseTemplate(document);
  } catch (error) {
    if (error instanceof WobrelError) throw new WobrelError(error.code, `${path}: ${error.message}`, error.at);
    throw error;
  }
}

/** The folder made ready: its names, with an earlier manifest moved out of the way. */
async function prepareFolder(out: string): Promise<string[]> {
  try {
    await mkdir(out, { recursive: true });
    const names = await readdir(out);
    if (!names.includes('manifest.json')) return names;
    let n = 1;
    while (names.includes(`manifest-earlier-${n}.json`)) n++;
    await rename(join(out, 'manifest.json'), join(out, `manifest-earlier-${n}.json`));
    return [...names, `manifest-earlier-${n}.json`];
  } catch (error) {
    throw asWriteError(error, join(out, 'manifest.json'));
  }
}

/**
 * Renders all photos and writes the manifest.
 *
 * @param report called after each photo with the number done and the number in all
 * @returns the manifest; failed photos are items with an `error`
 * @throws WobrelError where the call or the template is wrong, or nothing can be written
 */
export async function render(call: RenderCall, report: (done: number, all: number) => void): Promise<Manifest> {
  const startedAt = new Date().toISOString();
  const template = await readTemplate(call.template);
  const photos = await photoFiles(call.photos);
  if (photos.length === 0) throw new WobrelError('no-photos', 'there are no photos to render');
  const nameFile = namer(await prepareFolder(call.out));
  const place = placer(template);
  const { check } = checker(template);
  const here = dirname(fileURLToPath(import.meta.url));
  const pool = createRenderPool(here);
  const sight = createSightPool(here);
  const { rule, straighten, gap } = template.centring;
  // Looking costs time: only templates that go by what is seen look.
  const looks = rule === 'subject' || rule === 'face' || straighten === 'eyes' || gap === 'extend';
  const plateFor = plateCache(pool, template);

  const renderOne = async (source: string, files: readonly string[]): Promise<ManifestItem[]> => {
    try {
      const facts = await inspectPhoto(source);
      const photo = { ...facts, sight: looks ? await sight.see(source) : null };
      const placement = place(photo);
      const targets = await Promise.all(
        template.outputs.map(async (output, i) => ({
          output,
          plate: await plateFor(output.width, matteOf(output)),
          path: join(call.out, files[i]!),
        })),
      );
      const { width, height } = facts;
      const outside = outsideOf(template, photo.sight);
      const written = await pool.render({
        source,
        photo: { width, height },
        placement,
        outside,
        frame: template.frame,
        targets,
      });
      return template.outputs.map((output, i) => ({
        photo: source,
        output: output.name,
        file: files[i]!,
        ...written[i]!,
        ...placedItem(placement),
        findings: check(photo, output).map(({ check: id, value, message }) => ({ check: id, value, message })),
        error: null,
      }));
    } catch (error) {
      if (error instanceof WobrelError && error.code !== 'cannot-write') return [failedItem(source, error.message)];
      throw error;
    }
  };

  const queue = new PQueue({ concurrency: pool.threads + 1 });
  let done = 0;
  try {
    const items = await Promise.all(
      photos.map((photo, i) => {
        const parts = { photo, batch: '', template: template.name, index: i + 1 };
        const files = template.outputs.map((output) =>
          nameFile(output, { ...parts, height: outputHeight(template.frame, output.width) }),
        );
        return queue.add(async () => {
          const made = await renderOne(photo, files);
          report(++done, photos.length);
          return made;
        });
      }),
    );
    const manifest = { template: template.name, startedAt, items: items.flat() };
    await writeWhole(join(call.out, 'manifest.json'), JSON.stringify(manifest, null, 2) + '\n');
    return manifest;
  } finally {
    queue.clear();
    await sight.close();
    await pool.close();
  }
}
