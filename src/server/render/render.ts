/** One photo into all the files that a delivery wants of it. */
import { compose, type PhotoPixels, type Plate } from '../../core/plate';
import type { Outside } from '../../core/raster';
import type { Placement, Size } from '../../core/placement';
import { pixelsPerUnit, type Output, type Template } from '../../core/template';
import { sha256Of, writeWhole } from '../store';
import { encode } from './encode';
import { photoPixels } from './photo-pixels';

/** An output with the plate for its width and matte, and where its file goes. */
export type RenderTarget = { readonly output: Output; readonly plate: Plate; readonly path: string };

export type RenderTask = {
  readonly source: string;
  /** Pixels of the upright photo. */
  readonly photo: Size;
  readonly placement: Placement;
  /** What is shown where the photo does not reach. */
  readonly outside: Outside;
  readonly frame: Template['frame'];
  readonly targets: readonly RenderTarget[];
};

export type RenderedFile = {
  readonly width: number;
  readonly height: number;
  readonly bytes: number;
  readonly sha256: string;
};

/** Pixels per inch of an output: by its size where the frame has a physical one, else what the frame says. */
function densityOf(frame: Template['frame'], width: number): number {
  return frame.unit === 'px' ? frame.ppi : width / (frame.width * pixelsPerUnit(frame.unit, 1));
}

/** Where a picture is composed. */
export type BufferFor = (length: number) => Uint8ClampedArray<ArrayBuffer>;

const newBuffer: BufferFor = (length) => new Uint8ClampedArray(length);

/** Buffers used again and again, for a caller that renders one photo at a time. */
export function reusedBuffers(kept = 8): BufferFor {
  const buffers = new Map<number, Uint8ClampedArray<ArrayBuffer>>();
  return (length) => {
    const known = buffers.get(length);
    if (known) return known;
    if (buffers.size >= kept) buffers.clear();
    const made = newBuffer(length);
    buffers.set(length, made);
    return made;
  };
}

/**
 * Renders and writes the targets, plate by plate; the answers are in the targets' order.
 * Targets of the same size share the photo's pixels, those of the same plate the
 * composed picture too.
 *
 * @throws WobrelError `photo-broken` or `cannot-write`
 */
export async function renderPhoto(
  { source, photo, placement, outside, frame, targets }: RenderTask,
  bufferFor: BufferFor = newBuffer,
): Promise<RenderedFile[]> {
  const photoAt = new Map<number, PhotoPixels>();
  const files: RenderedFile[] = [];
  for (const plate of new Set(targets.map((target) => target.plate))) {
    const { width, height } = plate;
    const placed = photoAt.get(width) ?? (await photoPixels(source, photo, placement, plate, outside));
    photoAt.set(width, placed);
    const pixels = compose(plate, placed, bufferFor(plate.blank.length));
    const picture = { pixels, width, height, ppi: densityOf(frame, width) };
    for (const [i, { output, path, plate: wanted }] of targets.entries()) {
      if (wanted !== plate) continue;
      const crop = output.trim && plate.inked.width > 0 ? plate.inked : null;
      const file = await encode(picture, output, crop);
      await writeWhole(path, file.data);
      files[i] = { width: file.width, height: file.height, bytes: file.data.length, sha256: sha256Of(file.data) };
    }
  }
  return files;
}
