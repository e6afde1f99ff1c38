/** How much a template may ask for. */
import { WobrelError } from '../errors';
import type { LinePaint } from '../paint';
import { outputHeight } from './output-size';
import { pictureOf } from './picture';
import type { TemplateDocument } from './schema';
import { mostKept } from './trim';

/** Most pixels one output may have: the limit for photos, too. */
export const MAX_PIXELS = 100_000_000;

/** Most pixels a side, where a format has such a limit: 14 bits of a WebP (RFC 9649), 16 of a GIF (GIF89a); of JPEG and AVIF it is what the encoders take. */
const MOST_A_SIDE: Partial<Record<Format, number>> = { webp: 16_383, avif: 16_384, jpeg: 65_500, gif: 65_535 };

/** Most pixels of an output that keeps its layers: each is a picture of its own. */
const MAX_LAYERED_PIXELS = 25_000_000;

/** Most pixels that all outputs of a template may have together. */
const MAX_PIXELS_TOGETHER = 200_000_000;

/** Most pixels of the largest output for all photos behind together: each is decoded for it. */
const MAX_PHOTOS_BEHIND = 200_000_000;

/** Most pixels of one output for all layers that are a picture of their own first, and for all sets. */
const MAX_MIXED_PIXELS = 120_000_000;

/** Most pixels of all outputs together, once for each tint, ground or layer whose paint follows the edge or is a texture or a pattern, each inner shadow, and each band with relief, texture or pattern: a place is kept for each, or it takes long to look up. */
const MAX_FIELD_PIXELS = 400_000_000;

/** Most pixels of all outputs together, once for each echo of a band. */
const MAX_ECHO_PIXELS = 2_000_000_000;

/** Most pixels of all outputs together, once for each slot: each has a picture of its own, at worst as large as the whole. */
const MAX_SLOT_PIXELS = 400_000_000;

/** Most outlines that pins bend, those of borders by themselves among them: each takes long if it is intricate. */
const MAX_BENT = 24;

type Format = TemplateDocument['outputs'][number]['format'];

type Finished = Pick<TemplateDocument, 'tints' | 'shadows' | 'borders' | 'edge'>;

/** A template as it counts here. */
type Counted = Finished &
  Pick<TemplateDocument, 'frame' | 'mat' | 'backdrop' | 'behind' | 'before' | 'sets'> & {
    readonly slots: readonly Finished[];
    readonly outputs: readonly (Pick<TemplateDocument['outputs'][number], 'size' | 'trim' | 'format'> & { readonly width: number })[]; // prettier-ignore
  };

const hasPaint = (paint: LinePaint, ...kinds: readonly string[]): boolean =>
  typeof paint !== 'string' && kinds.includes(paint.kind);

/** For how much of a finish a place is kept for each pixel. */
const fieldsOf = ({ tints, shadows, borders, edge }: Finished): number =>
  tints.filter(({ on, paint }) => on && hasPaint(paint, 'contour', 'texture')).length +
  shadows.filter(({ on, kind }) => on && kind === 'inner').length +
  borders.filter(({ on, relief, paint }) => on && (relief !== null || hasPaint(paint, 'texture', 'pattern'))).length +
  (edge.relief ? 2 : 0);

/** Paints on all of the picture that are looked up pixel by pixel. */
const groundsOf = ({ backdrop, mat, behind, before }: Counted): number =>
  [
    backdrop,
    mat.paint,
    ...[...behind, ...before].flatMap(({ on, show, paint, tint }) => (on ? [show === 'paint' ? paint : null, tint?.paint ?? null] : [])), // prettier-ignore
  ].filter((paint) => paint !== null && hasPaint(paint, 'contour', 'texture', 'pattern')).length;

/** Pictures that are made before they are mixed with others: each takes memory, and time for each photo. */
const mixedOf = ({ behind, before, sets }: Counted): number =>
  [...behind, ...before].reduce((sum, { on, blend, tint }) => sum + (on ? Number(blend !== 'normal') + Number(tint !== null) : 0), 0) + sets.length; // prettier-ignore

const bentOf = ({ edge, borders }: Finished): number => [edge, ...borders].filter(({ pins }) => pins.length > 0).length;

const copiesOf = ({ borders }: Finished): number =>
  borders.reduce((sum, { on, echo }) => sum + (on && echo ? echo.count : 0), 0);

/** Refuses outputs that no machine at hand could make. */
export function refuseHuge(template: Counted): void {
  const { outputs, behind, before, slots } = template;
  const photos = [...behind, ...before].filter(({ on, show }) => on && show === 'photo').length;
  const picture = pictureOf(template);
  const finishes = [template, ...slots];
  const fields = finishes.reduce((sum, one) => sum + fieldsOf(one), groundsOf(template));
  const copies = finishes.reduce((sum, one) => sum + copiesOf(one), 0);
  const bent = finishes.reduce((sum, one) => sum + bentOf(one), 0);
  if (bent > MAX_BENT)
    throw new WobrelError('template-invalid', `borders: ${bent} outlines are bent by pins, those of slots and of borders by themselves among them; the most is ${MAX_BENT}`, 'borders'); // prettier-ignore
  let together = 0;
  outputs.forEach(({ width, size, trim, format }, i) => {
    const height = outputHeight(picture, width);
    const pixels = width * height;
    const at = `outputs[${i}].${size ? 'size' : 'width'}`;
    if (pixels > MAX_PIXELS)
      throw new WobrelError('template-invalid', `${at}: an output of more than 100 megapixels`, at);
    if (format === 'ora' && pixels > MAX_LAYERED_PIXELS)
      throw new WobrelError('template-invalid', `${at}: a file of layers of more than 25 megapixels`, at);
    const file = mostKept(trim, width / picture.width, [width, height]);
    if (file.width * file.height > MAX_PIXELS)
      throw new WobrelError('template-invalid', `outputs[${i}].trim: with so much room a file may have more than 100 megapixels`, `outputs[${i}].trim`); // prettier-ignore
    const side = Math.max(file.width, file.height);
    const longest = MOST_A_SIDE[format];
    if (longest !== undefined && side > longest)
      throw new WobrelError('template-invalid', `${at}: a side of ${side} px; as ${format} the most is ${longest} px`, at); // prettier-ignore
    if (photos * pixels > MAX_PHOTOS_BEHIND)
      throw new WobrelError('template-invalid', `${at}: with ${photos} photos behind or on top an output may have ${Math.floor(MAX_PHOTOS_BEHIND / photos / 1e6)} megapixels`, at); // prettier-ignore
    const mixed = mixedOf(template);
    if (mixed * pixels > MAX_MIXED_PIXELS)
      throw new WobrelError('template-invalid', `${at}: with ${mixed} sets, tints and blend modes of layers an output may have ${Math.floor(MAX_MIXED_PIXELS / mixed / 1e6)} megapixels`, at); // prettier-ignore
    together += pixels;
    if (fields * together > MAX_FIELD_PIXELS) {
      const most = Math.floor(MAX_FIELD_PIXELS / fields / 1e6);
      const why = `with ${fields} inner shadows, reliefs, textures, patterns and paints that follow the edge, all outputs may have ${most} megapixels together`;
      throw new WobrelError('template-invalid', `${at}: ${why}`, at);
    }
    if (copies * together > MAX_ECHO_PIXELS)
      throw new WobrelError('template-invalid', `${at}: with ${copies} echoes all outputs may have ${Math.floor(MAX_ECHO_PIXELS / copies / 1e6)} megapixels together`, at); // prettier-ignore
    if (slots.length * together > MAX_SLOT_PIXELS) {
      const most = Math.floor(MAX_SLOT_PIXELS / slots.length / 1e6);
      throw new WobrelError('template-invalid', `${at}: with ${slots.length} slots all outputs may have ${most} megapixels together`, at); // prettier-ignore
    }
    if (together > MAX_PIXELS_TOGETHER)
      throw new WobrelError('template-invalid', `${at}: with this one the outputs have more than 200 megapixels together`, at); // prettier-ignore
  });
}
