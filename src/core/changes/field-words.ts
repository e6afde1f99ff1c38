/** What fields of a template that no layer or shape has are called in a sentence. */

type Field = {
  readonly name: string;
  /** How its numbers are said: as they stand where left out. */
  readonly as?: 'length' | 'share' | 'angle';
};

const share = (name: string): Field => ({ name, as: 'share' });
const length = (name: string): Field => ({ name, as: 'length' });
const angle = (name: string): Field => ({ name, as: 'angle' });
const plain = (name: string): Field => ({ name });

/** By their path in the document. */
const FIELDS: Readonly<Record<string, Field>> = {
  mode: plain('photo in the shape or around it'),
  'edge.rounding': length('rounding'),
  'edge.feather': length('feather'),
  'edge.pins': plain('pins that bend the outline'),
  'edge.featherSide': plain('side of the feather'),
  'centring.rule': plain('centred by'),
  'centring.at': plain('spot'),
  'centring.size': share('size of the subject'),
  'centring.measure': plain('measured by'),
  'centring.middle': plain('middle of the subject'),
  'centring.gap': plain('gaps'),
  'centring.maxEnlarge': plain('largest enlargement'),
  'centring.centre': plain('centre of the shape'),
  'centring.faces': plain('faces'),
  'centring.straighten': plain('straightened by'),
  'centring.angle': angle('photos turned'),
  'centring.mirror': plain('photos mirrored'),
  'centring.extend': plain('ground continued by'),
  'filters.brightness': share('brightness'),
  'filters.contrast': share('contrast'),
  'filters.saturate': share('saturation'),
  'filters.grayscale': share('grey'),
  'filters.sepia': share('sepia'),
  'filters.hueRotate': angle('hue'),
  'filters.recolour': plain('two tones'),
  backdrop: plain('backdrop'),
  maxKB: plain('most KB'),
  'metadata.title': plain('title in files'),
  'metadata.alt': plain('alternative text in files'),
  'metadata.creator': plain('creator in files'),
  'metadata.copyright': plain('copyright in files'),
  'fill.by': plain('slots filled by'),
  'fill.group': plain('field of the group'),
  'fill.slot': plain('field of the slot'),
  'fill.missing': plain('a missing photo'),
  'limits.clearance': share('limit of room to the edge'),
  'limits.offSpot': share('limit of distance from the spot'),
  'limits.offSize': share('limit of difference in size'),
  'limits.confidence': share('least confidence'),
  'limits.apart': share('limit between both looks'),
  'limits.sharpness': share('least sharpness'),
  'limits.brightness': share('limit of brightness'),
  'limits.twins': plain('limit of near duplicates'),
  'limits.contrast': plain('least contrast'),
};

/** `borders[0].width` as people say it: "border 1, width". */
export function pathWords(path: string): string {
  const known = FIELDS[path];
  if (known) return known.name;
  return path
    .split('.')
    .map((part) => {
      const [, list, i] = /^(\w+?)s?\[(\d+)\]$/.exec(part) ?? [];
      return list === undefined ? fieldAt(part).name : `${list} ${Number(i) + 1}`;
    })
    .join(', ');
}

/** An own field of a later document is called by its own name. */
export const fieldAt = (path: string): Field =>
  FIELDS[path] ?? plain(path.replace(/^.*\./, '').replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`));
