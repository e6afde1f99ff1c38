/** What a photo's own file says of it, as fields: EXIF, IPTC IIM and XMP together, the newer standard first. */

/** Tags by group and name, as readers give them: each with its value in words. */
export type Tags = Readonly<Record<string, Readonly<Record<string, unknown>> | undefined>>;

type Place = readonly [group: string, tag: string];

/** Where each field may stand (IPTC Photo Metadata 2024.1, with its mapping to EXIF and IIM), the first that says something counts. */
const PLACES: Readonly<Record<string, readonly Place[]>> = {
  Title: [['xmp', 'title'], ['iptc', 'Object Name']], // prettier-ignore
  Description: [
    ['xmp', 'description'],
    ['iptc', 'Caption/Abstract'],
    ['exif', 'ImageDescription'],
  ],
  'Alt text': [['xmp', 'AltTextAccessibility']],
  Creator: [
    ['xmp', 'creator'],
    ['iptc', 'By-line'],
    ['exif', 'Artist'],
  ],
  Copyright: [['xmp', 'rights'], ['iptc', 'Copyright Notice'], ['exif', 'Copyright']], // prettier-ignore
  Keywords: [['xmp', 'subject'], ['iptc', 'Keywords']], // prettier-ignore
  Taken: [['exif', 'DateTimeOriginal'], ['xmp', 'DateCreated']], // prettier-ignore
  Camera: [['exif', 'Model'], ['xmp', 'Model']], // prettier-ignore
};

/** Most characters of a field. */
const LONGEST = 2000;

/** A tag's value in words, on one line. */
function wordsOf(tag: unknown): string {
  const all = Array.isArray(tag) ? tag : [tag];
  const words = all.map((one) => (one as { description?: string | number } | undefined)?.description ?? '').join(', ');
  return words.replace(/[\s\0]+/g, ' ').trim().slice(0, LONGEST); // prettier-ignore
}

const firstOf = (tags: Tags, places: readonly Place[]): string =>
  places.map(([group, tag]) => wordsOf(tags[group]?.[tag])).find((words) => words !== '') ?? '';

/** EXIF writes dates with colons (EXIF 3.0 §4.6.5): as ISO 8601. */
const dated = (text: string) => text.replace(/^(\d{4}):(\d{2}):(\d{2})/, '$1-$2-$3');

/** Degrees north and east; five digits are a metre. */
function placeOf({ gps }: Tags): string {
  const { Latitude, Longitude } = gps ?? {};
  if (typeof Latitude !== 'number' || typeof Longitude !== 'number') return '';
  return `${Latitude.toFixed(5)}, ${Longitude.toFixed(5)}`;
}

/** @returns the fields that say something, in one order for all photos */
export function ownFields(tags: Tags): Readonly<Record<string, string>> {
  const all = Object.entries(PLACES).map(([field, places]) => [field, firstOf(tags, places)] as const);
  const said = [...all.map(([field, text]) => [field, field === 'Taken' ? dated(text) : text] as const), ['Place', placeOf(tags)] as const]; // prettier-ignore
  return Object.fromEntries(said.filter(([, text]) => text !== ''));
}

/** All fields that there may be, in order. */
export const OWN_FIELDS: readonly string[] = [...Object.keys(PLACES), 'Place'];
