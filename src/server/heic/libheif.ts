/** Pictures in HEIF (ISO/IEC 23008-12) by libheif, compiled to WebAssembly. Made for threads: nothing else goes on meanwhile. */
import type { LibHeif } from 'libheif-js/libheif-wasm/libheif-bundle.js';
import { WobrelError } from '../../core/errors';
import { MAX_PIXELS } from '../../core/template';

/** The main picture of a file, upright and whole: of however many tiles, turned, mirrored and cut as the file says. */
export type HeifPicture = {
  readonly width: number;
  readonly height: number;
  /** RGB, or RGBA where it has alpha; colours are not multiplied by it. */
  readonly channels: 3 | 4;
  readonly pixels: Buffer;
  /** What its numbers mean: an ICC profile, or Display P3 by its code. Null where the file does not say, or says something else. */
  readonly colours: Buffer | 'display-p3' | null;
  /** A TIFF structure. */
  readonly exif: Buffer | null;
  readonly xmp: Buffer | null;
};

// Enumerations of heif.h, and the colour primaries of Display P3 (ITU-T H.273, table 2).
const [RGB, INTERLEAVED_RGB, INTERLEAVED_RGBA, INTERLEAVED] = [1, 10, 11, 10];
const [END_OF_DATA, MEMORY, DECODER] = [100, 6, 7];
const P3_PRIMARIES = 12;

/** Four characters as one number. */
const code = (text: string) => Buffer.from(text, 'latin1').readUInt32BE();
/** Either kind of ICC profile, and colours by their codes. */
const ICC = [code('prof'), code('rICC')];
const CODES = code('nclx');

const refusal = (kind: number, detail: number): WobrelError => {
  if (kind === MEMORY) return new WobrelError('photo-too-much', 'The photo took more memory than there is.');
  const words = detail === END_OF_DATA ? 'The file is broken or cut short.' : 'The file can’t be read as a photo.';
  return new WobrelError('photo-broken', words);
};

/** The module's memory, and its calls that can fail. */
function over(heif: LibHeif) {
  const numberAt = (at: number) => Buffer.from(heif.HEAPU8.buffer, at, 4).readUInt32LE();
  const bytesAt = (at: number, length: number) => Buffer.from(heif.HEAPU8.slice(at, at + length));
  const textAt = (at: number) => bytesAt(at, heif.HEAPU8.indexOf(0, at) - at).toString('latin1');
  // Two numbers, and a pointer to words for programmers.
  const error = heif._malloc(12);
  /** @throws WobrelError `photo-broken` or `photo-too-much` */
  const check = (call: (error: number) => void) => {
    call(error);
    if (numberAt(error) !== 0) throw refusal(numberAt(error), numberAt(error + 4));
  };
  const result = heif._malloc(4);
  /** What a call gives back where it was told to. */
  const made = (call: (error: number, result: number) => void): number => {
    check((failed) => call(failed, result));
    return numberAt(result);
  };
  const filled = (length: number, call: (error: number, room: number) => void): Buffer => {
    const room = heif._malloc(length);
    check((failed) => call(failed, room));
    return bytesAt(room, length);
  };
  return { heif, numberAt, bytesAt, textAt, check, made, filled };
}
type Memory = ReturnType<typeof over>;

function coloursOf({ heif, numberAt, filled, made }: Memory, handle: number): HeifPicture['colours'] {
  const kind = heif._heif_image_handle_get_color_profile_type(handle) >>> 0;
  if (ICC.includes(kind))
    return filled(heif._heif_image_handle_get_raw_color_profile_size(handle), (failed, room) =>
      heif._heif_image_handle_get_raw_color_profile(failed, handle, room),
    );
  if (kind !== CODES) return null;
  // Its structure begins with a version, then the primaries.
  const codes = made((failed, room) => heif._heif_image_handle_get_nclx_color_profile(failed, handle, room));
  return numberAt(codes + 4) === P3_PRIMARIES ? 'display-p3' : null;
}

/** Blocks of metadata that are looked through: of each kind a file has one. */
const BLOCKS = 32;

/** What the file says of the picture, in the two forms that other photos have it in. */
function metadataOf({ heif, numberAt, textAt, filled }: Memory, handle: number): Pick<HeifPicture, 'exif' | 'xmp'> {
  const list = heif._malloc(4 * BLOCKS);
  const count = heif._heif_image_handle_get_list_of_metadata_block_IDs(handle, 0, list, BLOCKS);
  const ids = Array.from({ length: count }, (_, i) => numberAt(list + 4 * i));
  const block = (is: (id: number) => boolean): Buffer | null => {
    const id = ids.find(is);
    if (id === undefined) return null;
    const length = heif._heif_image_handle_get_metadata_size(handle, id);
    return filled(length, (failed, room) => heif._heif_image_handle_get_metadata(failed, handle, id, room));
  };
  const exif = block((id) => textAt(heif._heif_image_handle_get_metadata_type(handle, id)) === 'Exif');
  const xmp = block((id) => textAt(heif._heif_image_handle_get_metadata_content_type(handle, id)) === 'application/rdf+xml'); // prettier-ignore
  // Four bytes say where its TIFF structure begins after them (ISO/IEC 23008-12 annex A.2.1).
  return { exif: exif && exif.length > 12 ? exif.subarray(4 + exif.readUInt32BE()) : null, xmp };
}

/** Rows as they lie in memory, each `stride` bytes after the one above, as one after another. */
function packed(rows: Uint8Array, stride: number, width: number, height: number): Buffer {
  const pixels = Buffer.alloc(width * height);
  for (let y = 0; y < height; y++) pixels.set(rows.subarray(y * stride, y * stride + width), y * width);
  return pixels;
}

/** Warnings that are looked through. */
const WARNINGS = 64;

/**
 * Of a picture some of whose tiles are missing or broken the rest would be given, with a warning for each.
 *
 * @throws WobrelError `photo-broken`
 */
function refuseGaps({ heif, numberAt }: Memory, image: number): void {
  const list = heif._malloc(12 * WARNINGS);
  const count = heif._heif_image_get_decoding_warnings(image, 0, list, WARNINGS);
  for (let at = list; at < list + 12 * count; at += 12)
    if (numberAt(at) === DECODER || numberAt(at + 4) === END_OF_DATA) throw refusal(numberAt(at), END_OF_DATA);
}

type Size = Pick<HeifPicture, 'width' | 'height' | 'channels'>;

function pixelsOf(memory: Memory, handle: number, { width, height, channels }: Size): Buffer {
  const { heif, numberAt, made } = memory;
  const form = channels === 4 ? INTERLEAVED_RGBA : INTERLEAVED_RGB;
  const image = made((failed, room) => heif._heif_decode_image(failed, handle, room, RGB, form, 0));
  refuseGaps(memory, image);
  const stride = heif._malloc(4);
  const rows = heif._heif_image_get_plane_readonly(image, INTERLEAVED, stride);
  return packed(heif.HEAPU8.subarray(rows), numberAt(stride), width * channels, height);
}

/** Colours that were multiplied by their alpha, as others are that were not. */
function divide(pixels: Buffer): void {
  for (let i = 0; i < pixels.length; i += 4) {
    const alpha = pixels[i + 3]!;
    if (alpha === 0 || alpha === 255) continue;
    for (let k = i; k < i + 3; k++) pixels[k] = Math.min(255, Math.round((pixels[k]! * 255) / alpha));
  }
}

/** What a decoder has to say of a broken file is for nobody. */
const quiet = () => {};

function pictureIn(heif: LibHeif, file: Buffer): HeifPicture {
  const memory = over(heif);
  const { check, made } = memory;
  const bytes = heif._malloc(file.length);
  heif.HEAPU8.set(file, bytes);
  const context = heif._heif_context_alloc();
  check((failed) => heif._heif_context_read_from_memory(failed, context, bytes, file.length, 0));
  const handle = made((failed, room) => heif._heif_context_get_primary_image_handle(failed, context, room));
  const width = heif._heif_image_handle_get_width(handle);
  const height = heif._heif_image_handle_get_height(handle);
  if (width * height > MAX_PIXELS) throw new WobrelError('photo-too-large', 'The photo has more than 100 megapixels.');
  const size = { width, height, channels: heif._heif_image_handle_has_alpha_channel(handle) === 1 ? 4 : 3 } as const;
  const pixels = pixelsOf(memory, handle, size);
  if (size.channels === 4 && heif._heif_image_handle_is_premultiplied_alpha(handle) === 1) divide(pixels);
  return { ...size, pixels, colours: coloursOf(memory, handle), ...metadataOf(memory, handle) };
}

/**
 * Decodes the main picture, eight bits a channel. Each has a module of its own, so that
 * neither its memory nor what a hostile file did to it outlives it.
 *
 * @throws WobrelError `photo-broken`, `photo-too-large` or `photo-too-much`
 */
export async function heifPicture(file: Buffer): Promise<HeifPicture> {
  const { default: start } = await import('libheif-js/libheif-wasm/libheif-bundle.js');
  try {
    return pictureIn(start({ print: quiet, printErr: quiet }), file);
  } catch (error) {
    if (error instanceof WobrelError) throw error;
    // The module came to an end: its memory did, or the file led it astray.
    throw refusal(/oom|enlarge memory|allocation failed/i.test(String(error)) ? MEMORY : DECODER, 0);
  }
}
