/** Lists of layers, changed in one place, and new ones for them. */
import { layerKind, layerSet, type LayerList, type LayerPart, type LayerSet } from '@/core/layers';
import { hasSlots, roundedIn, roundedLengthIn, type Template } from '@/core/template';

export type LayerOf<K extends LayerList> = Template[K][number];

export const replaced = <T>(list: readonly T[], i: number, fields: Partial<T>): T[] =>
  list.map((v, k) => (k === i ? { ...v, ...fields } : v));

export const without = <T>(list: readonly T[], i: number): T[] => list.filter((_, k) => k !== i);

/** Once more, right after it. */
export const doubled = <T>(list: readonly T[], i: number): T[] => [...list.slice(0, i + 1), ...list.slice(i)];

/** The one at `i` at another place. */
export function moved<T>(list: readonly T[], i: number, to: number): T[] {
  const next = [...list];
  next.splice(to, 0, ...next.splice(i, 1));
  return next;
}

/** Most layers that a list takes. */
export const MOST = 16;

/** The format's defaults were made for a frame of so many units. */
const FRAME = 1080;

/** A depth that suits what goes from the shape's edge inwards, frame units. */
export const goodDepth = ({ shape: { box }, frame }: Template): number =>
  roundedLengthIn(frame.unit)(Math.min(box.width, box.height) / 4);

/** Below the shape: in the mat where that has room, else near the frame's lower edge. */
function captionPlace({ frame, mat }: Template, size: number): [number, number] {
  const below = mat.bottom > 0 ? frame.height + mat.bottom / 2 + size / 3 : frame.height - size;
  const rounded = roundedIn(frame.unit);
  return [rounded(frame.width / 2), rounded(below)];
}

/** Where new layers differ from the format's defaults, but for their lengths. */
const BEGINNINGS: { readonly [K in LayerList]: (template: Template, lengths: LayerOf<K>) => Partial<LayerOf<K>> } = {
  // A rim that darkens: what a first tint is mostly for.
  tints: (template) => ({
    paint: { kind: 'contour', depth: goodDepth(template), stops: [[0, '#00000099'], [1, '#00000000']] }, // prettier-ignore
  }),
  behind: (template) => (hasSlots(template) ? { show: 'paint' } : {}),
  before: () => ({}),
  borders: () => ({}),
  shadows: () => ({}),
  captions: (template, { size }) => ({ at: captionPlace(template, size) }),
};

/** The format's own defaults for a layer or a part of one, its lengths in proportion to the frame. */
export function defaultsFor(definition: LayerPart, { frame }: Pick<Template, 'frame'>): Record<string, unknown> {
  const k = Math.min(frame.width, frame.height) / FRAME;
  const layer = definition.schema.parse({}) as Record<string, unknown>;
  for (const key of definition.lengths) {
    const value = layer[key];
    if (typeof value === 'number') layer[key] = roundedLengthIn(frame.unit)(value * k);
  }
  return layer;
}

/** Where a new part of a layer differs from the format's defaults: by its field. */
const PART_BEGINNINGS: Readonly<Record<string, object>> = {
  // A ground that is a little darker.
  tint: { paint: '#00000080', blend: 'normal' },
};

/** A new part of a layer. */
export const newPart = (key: string, part: LayerPart, template: Template): Record<string, unknown> => ({
  ...defaultsFor(part, template),
  ...PART_BEGINNINGS[key],
});

/** A new layer. */
export function newLayer<K extends LayerList>(list: K, template: Template): LayerOf<K> {
  const layer = defaultsFor(layerKind(list), template) as LayerOf<K>;
  return { ...layer, ...BEGINNINGS[list](template, layer) };
}

const paintedLayers = ({ behind, before }: Pick<Template, 'behind' | 'before'>) => [...behind, ...before];

/** The names of all sets that layers behind and on top are of. */
export const setNames = (template: Pick<Template, 'behind' | 'before'>): string[] => [
  ...new Set(paintedLayers(template).flatMap(({ set }) => (set === null ? [] : [set]))),
];

/** A name that no set has yet. */
export function nextSetName(template: Pick<Template, 'behind' | 'before'>): string {
  const names = setNames(template);
  let n = names.length + 1;
  while (names.includes(`Set ${n}`)) n++;
  return `Set ${n}`;
}

/** How a set is laid; one that is not told of is laid as it is. */
export const setOf = (template: Pick<Template, 'sets'>, name: string): LayerSet =>
  template.sets.find((set) => set.name === name) ?? layerSet.schema.parse({ name });

/** A template with a set laid otherwise. */
export function withSet(template: Template, name: string, fields: Partial<LayerSet>): Template {
  const next = { ...setOf(template, name), ...fields };
  // Those that no layer is of any more are forgotten.
  const used = new Set(setNames(template));
  return { ...template, sets: [...template.sets.filter((set) => set.name !== name && used.has(set.name)), next] };
}

/** A template without a set: its layers stay, each by itself. */
export function withoutSet(template: Template, name: string): Template {
  const freed = <L extends { readonly set: string | null }>(layers: readonly L[]) =>
    layers.map((layer) => (layer.set === name ? { ...layer, set: null } : layer));
  const sets = template.sets.filter((set) => set.name !== name);
  return { ...template, behind: freed(template.behind), before: freed(template.before), sets };
}
