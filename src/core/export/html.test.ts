import { DOMParser } from '@xmldom/xmldom';
import { picturePage, pictureTag } from './html';

const file = (name: string, format: 'png' | 'webp' | 'jpeg' | 'tiff', width: number) => ({ file: name, format, width, height: width / 2 }); // prettier-ignore
const FILES = [file('a-large.png', 'png', 600), file('a-small.png', 'png', 300), file('a.webp', 'webp', 600), file('a.tif', 'tiff', 600)]; // prettier-ignore

/** A picture element as a parser of its own reads it. */
function read(tag: string | null) {
  const root = new DOMParser().parseFromString(tag!, 'text/xml').documentElement!;
  const all = (name: string) => Array.from(root.getElementsByTagName(name));
  return { sources: all('source'), image: all('img')[0]! };
}

test('each format has its sizes, the one that all know comes last, and TIFF is none for the web', () => {
  const { sources, image } = read(pictureTag({ alt: 'A mug', files: FILES }, 'pictures/'));
  expect(sources.map((one) => [one.getAttribute('type'), one.getAttribute('srcset')])).toEqual([['image/webp', 'pictures/a.webp 600w']]); // prettier-ignore
  expect(image.getAttribute('srcset')).toBe('pictures/a-small.png 300w, pictures/a-large.png 600w');
  expect(['src', 'width', 'height', 'alt'].map((name) => image.getAttribute(name))).toEqual(['pictures/a-large.png', '600', '300', 'A mug']); // prettier-ignore
  expect(pictureTag({ alt: '', files: [FILES[3]!] }, '')).toBeNull();
});

test('nothing in names or texts gets out of its attribute', () => {
  const alt = `"><script>alert('x')</script> & more`;
  const { image } = read(pictureTag({ alt, files: [file(`n/a, "b" & <c>.png`, 'png', 10)] }, `x"/`));
  expect(image.getAttribute('alt')).toBe(alt);
  expect(image.getAttribute('src')).toBe('x"/n/a%2C%20%22b%22%20%26%20%3Cc%3E.png');
  expect(image.getAttribute('srcset')).not.toMatch(/,/);
  expect(picturePage('<b>', [{ alt, files: FILES }], '')).not.toMatch(/<b>|<script>/);
});
