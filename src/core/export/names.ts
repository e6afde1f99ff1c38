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
  ora: 'ora',
};

/** Media type of a file that has been named here. */
export function mediaTypeOf(file: string): string {
  const extension = file.slice(file.lastIndexOf('.') + 1);
  const format = Object.entries(EXTENSIONS).find(([, own]) => own === extension)?.[0];
  return format ? `image/${format === 'ora' ? 'openraster' : format}` : 'application/octet-stream';
}

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

/** Folders within folders that a name may make. */
const MAX_FOLDERS = 8;

/** A pattern's folders and its last part, each by itself: what fields say never parts them. */
const partsOf = (pattern: string): string[] => pattern.split(/\/(?![^{}]*\})/).filter((part) => part.trim() !== '');

/** What is taken already, and how folders are spelled. */
function takenNames(existing: readonly string[]) {
  const files = new Set<string>(['manifest.json', SUMS_FILE, ...existing.map((name) => name.toLowerCase())]);
  const folders = new Map<string, string>();
  const claim = (path: string): void => {
    const end = path.lastIndexOf('/');
    if (end < 0) return;
    const folder = path.slice(0, end);
    folders.set(folder.toLowerCase(), folders.get(folder.toLowerCase()) ?? folder);
    claim(folder);
  };
  existing.forEach(claim);
  /** The folder as it is spelled already; with a mark behind it where a file has its name. */
  const folderOf = (within: string, part: string): string => {
    const path = `${within}${part}`;
    if (files.has(path.toLowerCase())) return folderOf(within, `${part}_`);
    const spelled = folders.get(path.toLowerCase()) ?? path;
    folders.set(path.toLowerCase(), spelled);
    return `${spelled}/`;
  };
  return { files, folders, folderOf };
}

/** The list of checksums that a delivery comes with. */
export const SUMS_FILE = 'sha256sums.txt';

/** What a name is made from. */
export type NameParts = PhotoWords & { readonly template: string; readonly height: number };

/** The name that an output's pattern makes, without its extension: its folders, and the last part. */
function patternParts(output: Output, parts: NameParts): { folders: string[]; stem: string } {
  const fields = fieldsOf({ ...parts, output: output.name, width: output.width });
  const all = partsOf(output.file).map((part) => filled(part, fields));
  const folders = all.slice(0, -1);
  // Deeper ones are joined; one whose fields say nothing makes no folder.
  const [kept, rest] = [folders.slice(0, MAX_FOLDERS), folders.slice(MAX_FOLDERS)];
  return {
    folders: kept.filter((part) => part.trim() !== '').map(safeName),
    stem: safeName([...rest, all[all.length - 1] ?? ''].join('_')),
  };
}

/**
 * A function that names files and never gives a name twice: the second `a.png` is
 * `a-2.png`. Names that differ only in case count as one, as some file systems hold.
 * Slashes of an output's pattern make folders; those in what a field says do not.
 *
 * @param existing names that are taken already
 */
export function namer(existing: readonly string[] = []): (output: Output, parts: NameParts) => string {
  const { files, folders, folderOf } = takenNames(existing);
  // Where to go on counting: thousands of one name are no reason to count from 2 each time.
  const next = new Map<string, number>();
  return (output, parts) => {
    const { folders: within, stem } = patternParts(output, parts);
    const folder = within.reduce(folderOf, '');
    const extension = EXTENSIONS[output.format];
    const base = `${folder}${stem}.${extension}`.toLowerCase();
    for (let n = next.get(base) ?? 1; ; n++) {
      const name = `${folder}${n === 1 ? stem : `${stem}-${n}`}.${extension}`;
      const key = name.toLowerCase();
      if (files.has(key) || folders.has(key)) continue;
      files.add(key);
      next.set(base, n + 1);
      return name;
    }
  };
}

/** Names before they are made different from each other: what a pattern says by itself. */
export function plainNameOf(output: Output, parts: NameParts): string {
  const { folders, stem } = patternParts(output, parts);
  return [...folders, `${stem}.${EXTENSIONS[output.format]}`].join('/');
}
