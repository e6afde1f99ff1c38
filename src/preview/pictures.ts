/** The pictures of templates in this worker: loaded once. */
import { bringPictures, type PictureRaster } from '../core/pictures';
import { picturesOf, type Template } from '../core/template';

async function load(sha256: string): Promise<PictureRaster> {
  const response = await fetch(`/api/pictures/${sha256}`);
  if (!response.ok) throw new Error('A picture of the template could not be loaded.');
  const bitmap = await createImageBitmap(await response.blob(), { premultiplyAlpha: 'none' });
  const { width, height } = bitmap;
  const context = new OffscreenCanvas(width, height).getContext('2d')!;
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  return { data: context.getImageData(0, 0, width, height).data, width, height };
}

/** Has a template's pictures at hand. */
export const bringTemplatePictures = (template: Template): Promise<void> =>
  bringPictures(
    picturesOf(template).map(({ sha256 }) => sha256),
    load,
  );
