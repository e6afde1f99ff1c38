/** File names of a delivery. */
import { fieldsOf, filled, type PhotoWords } from '../fields';
import type { Output } from '../template';

const EXTENSIONS: Readonly<Record<Output['format'], string>> = {
  png: 'png',
  webp: 'webp',
  avif: 'avif',
  gif: 'gif',
  tiff: 'tif',
  jpeg: 'jpg',
};

/** Most bytes of a name without its extension: leaves room for both and a number within 255. */
const MAX_BYTES = 200;

/** Names that Windows keeps for devices. */
const RESERVED = /^(?:con|prn|aux|nul|com\d|lpt\d)$/i;

/** A text as one harmless part of a path: no separators, control or reserved characters, no leading dots. */
export function safeName(text: string): string {
  let name = text
    .normalize('NFC')
    .replace(/[\u0000-\u001f\u007f<>:"/\\|?*\u202a-\u202e\u2066-\u2069]/g, '_')
    .replace(/^[.\s]+|[.\s]+$/g, '');
  while (new TextEncoder().encode(name).length > MAX_BYTES) name = [...name].slice(0, -1).join('');
  return name === '' || RESERVED.test(name) ? `_${name}` : name;
}

/**
 * A function that names files and never gives a name twice: the second `a.png` is
 * `a-2.png`. Names that differ only in case count as one, as some file systems hold.
 *
 * @param existing names that are taken already
 */
export function namer(
  existing: readonly string[] = [],
): (output: Output, parts: PhotoWords & { readonly template: string; readonly height: number }) => string {
  const taken = new Set<string>(['manifest.json', ...existing.map((name) => name.toLowerCase())]);
  return (output, parts) => {
    const fields = fieldsOf({ ...parts, output: output.name, width: output.width });
    const stem = safeName(filled(output.file, fields));
    const extension = EXTENSIONS[output.format];
    for (let n = 1; ; n++) {
      const name = n === 1 ? `${stem}.${extension}` : `${stem}-${n}.${extension}`;
      const key = name.toLowerCase();
      if (taken.has(key)) continue;
      taken.add(key);
      return name;
    }
  };
}
