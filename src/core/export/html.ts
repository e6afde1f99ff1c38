/** The HTML that shows delivered pictures: each in all its sizes and formats, with its alternative text. */
import { inXml } from '../metadata';
import type { Output } from '../template';

/** A delivered file of a picture. */
export type HtmlFile = {
  readonly file: string;
  readonly format: Output['format'];
  /** Pixels. */
  readonly width: number;
  readonly height: number;
};

export type HtmlPicture = { readonly alt: string; readonly files: readonly HtmlFile[] };

/** Formats that browsers show, from those that are tried first to those that all know. */
const IN_ORDER = ['avif', 'webp', 'jpeg', 'png', 'gif'] as const satisfies readonly Output['format'][];

/** A file's address behind a prefix; commas would part a list of candidates (HTML Standard §4.8.4.2.1). */
const addressOf = (prefix: string, file: string) =>
  prefix +
  file
    .replace(/\p{Cs}/gu, '\ufffd')
    .split('/')
    .map(encodeURIComponent)
    .join('/')
    .replaceAll(',', '%2C');

/** One format's files: each width once, the smallest first. */
function candidates(files: readonly HtmlFile[], format: Output['format']): HtmlFile[] {
  const own = files.filter((one) => one.format === format).sort((a, b) => a.width - b.width);
  return own.filter((one, i) => i === 0 || one.width > own[i - 1]!.width);
}

const srcset = (prefix: string, files: readonly HtmlFile[]) =>
  inXml(files.map(({ file, width }) => `${addressOf(prefix, file)} ${width}w`).join(', '));

/**
 * A `picture` element; null where no file of it is of a format for the web.
 *
 * @param prefix what comes before the files' names in their addresses
 */
export function pictureTag({ alt, files }: HtmlPicture, prefix: string): string | null {
  const formats = IN_ORDER.map((format) => ({ format, own: candidates(files, format) })).filter(({ own }) => own.length > 0); // prettier-ignore
  const last = formats.at(-1);
  if (!last) return null;
  const { file, width, height } = last.own.at(-1)!;
  const sizes = `(max-width: ${width}px) 100vw, ${width}px`;
  const sources = formats.slice(0, -1).map(({ format, own }) => `  <source type="image/${format}" srcset="${srcset(prefix, own)}" sizes="${sizes}" />\n`); // prettier-ignore
  const image = `  <img src="${inXml(addressOf(prefix, file))}" srcset="${srcset(prefix, last.own)}" sizes="${sizes}" width="${width}" height="${height}" alt="${inXml(alt)}" loading="lazy" />\n`;
  return `<picture>\n${sources.join('')}${image}</picture>\n`;
}

/** A whole page of them, that can be opened beside the files. */
export function picturePage(title: string, pictures: readonly HtmlPicture[], prefix: string): string {
  const tags = pictures.flatMap((one) => pictureTag(one, prefix) ?? []);
  return `<!doctype html>\n<html lang="en">\n<head>\n<meta charset="utf-8" />\n<title>${inXml(title)}</title>\n</head>\n<body>\n${tags.join('')}</body>\n</html>\n`;
}
