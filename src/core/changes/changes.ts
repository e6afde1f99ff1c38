/** What is different between two templates, in words. */
import { create } from 'jsondiffpatch';
import {
  edgeRelief,
  layerKind,
  layerSet,
  light,
  mat,
  reflection,
  rough,
  type LayerList,
  type LayerPart,
} from '../layers';
import { isCatalogue, SHAPES, type Shape } from '../shape';
import { hasSlots, saysTheSame, type Slot, type Template } from '../template';
import { fieldAt } from './field-words';
import { changeWords, type NumberKind } from './value-words';

type Fields = Readonly<Record<string, unknown>>;
type Parts = Readonly<Record<string, LayerPart | undefined>>;
type Control = { readonly label: string; readonly as: string; readonly options?: Readonly<Record<string, string>> };
type Controls = Readonly<Record<string, Control | undefined>>;

const same = saysTheSame;

const lists = create({ objectHash: (one: object) => JSON.stringify(one) });

const AS: Readonly<Record<string, NumberKind>> = {
  length: 'length',
  strength: 'share',
  share: 'share',
  angle: 'angle',
};

/** One field after the other of what has a form. */
function formWords(controls: Controls, before: Fields, after: Fields, unit: string, parts: Parts = {}): string[] {
  const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])].filter((key) => !same(before[key], after[key])); // prettier-ignore
  return keys.flatMap((key) => {
    const part = parts[key];
    if (part) return singleWords(part, before[key] as Fields | null, after[key] as Fields | null, unit);
    if (key === 'on') return after.on ? 'switched on' : 'switched off';
    if (key === 'locked') return after.locked ? 'locked' : 'unlocked';
    const control = controls[key];
    const said = (v: unknown) => (typeof v === 'string' ? (control?.options?.[v] ?? v) : v);
    return changeWords((control?.label ?? fieldAt(key).name).toLowerCase(), said(before[key]), said(after[key]), AS[control?.as ?? ''], unit); // prettier-ignore
  });
}

/** Of a list of layers: what was added, taken out, moved, and what changed of one that stayed in its place. */
function listWords(list: LayerList, before: readonly Fields[], after: readonly Fields[], unit: string): string[] {
  const delta = lists.diff(before, after) as Readonly<Record<string, readonly unknown[]>> | undefined;
  if (!delta) return [];
  const { title, controls, parts = {} } = layerKind(list);
  const called = (layers: readonly Fields[], i: number) =>
    layers.length > 1 ? `${title(layers[i]!).toLowerCase()} ${i + 1}` : title(layers[i]!).toLowerCase();
  return Object.keys(delta).flatMap((key): string[] => {
    if (key === '_t') return [];
    const place = Number(key.replace('_', ''));
    const [, , kind] = delta[key]!;
    if (kind === 3) return [`${called(before, place)} moved to place ${Number(delta[key]![1]) + 1}`];
    // Taken out of a place and put into the same one: it is the layer that changed.
    const isThere = `_${place}` in delta && String(place) in delta;
    if (isThere && before[place] && after[place]) {
      if (key.startsWith('_')) return [];
      return [`${called(after, place)}: ${formWords(controls, before[place], after[place], unit, parts).join(', ')}`];
    }
    return [key.startsWith('_') ? `${called(before, place)} taken out` : `${called(after, place)} added`];
  });
}

/** A layer that there is at most once. */
function singleWords(definition: LayerPart, before: Fields | null, after: Fields | null, unit: string): string[] {
  if (same(before, after)) return [];
  const name = definition.title(after ?? before).toLowerCase();
  if (!before || !after) return [`${name} ${after ? 'added' : 'taken out'}`];
  return [`${name}: ${formWords(definition.controls, before, after, unit).join(', ')}`]; // prettier-ignore
}

const shapeName = ({ kind }: Shape): string => (kind in SHAPES ? SHAPES[kind as keyof typeof SHAPES].label : kind === 'text' ? 'letters' : kind === 'path' ? 'drawn outline' : 'combined shape').toLowerCase(); // prettier-ignore

function shapeWords(before: Shape, after: Shape, unit: string): string[] {
  if (same(before, after)) return [];
  if (before.kind !== after.kind) return [`shape ${shapeName(before)} → ${shapeName(after)}`];
  const { box: from, ...own } = before;
  const { box: to, ...next } = after;
  const controls = isCatalogue(after) ? SHAPES[after.kind].controls : {};
  const size = ({ width, height }: Shape['box']) =>
    `${Math.round(width * 100) / 100} × ${Math.round(height * 100) / 100}`;
  return [
    ...(same(own, next)
      ? []
      : isCatalogue(after)
        ? [`${shapeName(after)}: ${formWords(controls, own, next, unit).join(', ')}`]
        : [`${shapeName(after)} changed`]),
    ...(from.width === to.width && from.height === to.height ? [] : [`shape ${size(from)} → ${size(to)} ${unit}`]),
    ...(from.cx === to.cx && from.cy === to.cy ? [] : ['shape moved']),
    ...(from.angle === to.angle ? [] : [changeWords('shape turned', from.angle, to.angle, 'angle', unit)]),
    ...(from.mirror === to.mirror ? [] : ['shape mirrored']),
  ];
}

/** Plain objects whose fields are called by `fieldAt`. */
function plainWords(
  key: 'edge' | 'centring' | 'filters' | 'limits' | 'fill' | 'metadata',
  before: Fields,
  after: Fields,
  unit: string,
) {
  return Object.keys(after)
    .filter((field) => !same(before[field], after[field]))
    .map((field) => {
      const { name, as } = fieldAt(`${key}.${field}`);
      return changeWords(name, before[field], after[field], as, unit);
    });
}

function frameWords({ frame: before }: Template, { frame: after }: Template): string[] {
  if (same(before, after)) return [];
  const size = ({ width, height, unit }: Template['frame']) => `${width} × ${height} ${unit}`;
  return size(before) === size(after)
    ? [changeWords('resolution', before.ppi, after.ppi, undefined, '')]
    : [`frame ${size(before)} → ${size(after)}`];
}

/** Things of a list that go by their names. */
function namedWords<T extends { readonly name: string }>(
  what: string,
  before: readonly T[],
  after: readonly T[],
  words: (before: T, after: T) => string[],
): string[] {
  const known = new Map(before.map((one) => [one.name, one]));
  const left = new Set(after.map(({ name }) => name));
  const kept = after.filter(({ name }) => known.has(name)).map(({ name }) => name);
  const order = before.filter(({ name }) => left.has(name)).map(({ name }) => name);
  return [
    ...after.flatMap((one) => {
      const old = known.get(one.name);
      if (!old) return [`${what} ${one.name} added`];
      const all = same(old, one) ? [] : words(old, one);
      return all.length > 0 ? [`${what} ${one.name}: ${all.join(', ')}`] : [];
    }),
    ...before.filter(({ name }) => !left.has(name)).map(({ name }) => `${what} ${name} taken out`),
    ...(same(kept, order) ? [] : [`${what}s in another order`]),
  ];
}

function edgeWords(
  { rough: wasRough, relief: stood, ...before }: Template['edge'],
  { rough: isRough, relief: stands, ...after }: Template['edge'],
  unit: string,
) {
  return [
    ...plainWords('edge', before, after, unit),
    ...singleWords(rough, wasRough, isRough, unit),
    ...singleWords(edgeRelief, stood, stands, unit).map((words) => `the edge’s ${words}`),
  ];
}

type Finished = Pick<
  Template,
  'shape' | 'edge' | 'centring' | 'filters' | 'tints' | 'borders' | 'shadows' | 'reflection'
>;

/** What a template and each of its slots have. */
const finishWords = (before: Finished, after: Finished, unit: string): string[] => [
  ...shapeWords(before.shape, after.shape, unit),
  ...edgeWords(before.edge, after.edge, unit),
  ...plainWords('centring', before.centring, after.centring, unit),
  ...plainWords('filters', before.filters, after.filters, unit),
  ...(['tints', 'borders', 'shadows'] as const).flatMap((list) => listWords(list, before[list], after[list], unit)),
  ...singleWords(reflection, before.reflection, after.reflection, unit),
];

const slotWords =
  (unit: string) =>
  (before: Slot, after: Slot): string[] => [
    ...(before.photo === after.photo ? [] : [changeWords('file names', before.photo, after.photo, undefined, unit)]),
    ...finishWords(before, after, unit),
  ];

const outputWords = (before: Fields, after: Fields): string[] =>
  Object.keys(after)
    .filter((key) => key !== 'size' && !same(before[key], after[key]))
    .map((key) =>
      changeWords(fieldAt(key).name, before[key], after[key], key === 'width' ? 'length' : undefined, 'px'),
    );

/** Each change from one template to the other, a few words each; none where they are the same but for their names. */
export function changesOf(before: Template, after: Template): string[] {
  const { unit } = after.frame;
  return [
    ...frameWords(before, after),
    ...singleWords(light, before.light, after.light, unit),
    ...(before.mode === after.mode ? [] : [`photo ${after.mode === 'window' ? 'around' : 'in'} the shape`]),
    // Beside slots the template's own shape and finish are not read.
    ...(hasSlots(before) && hasSlots(after) ? [] : finishWords(before, after, unit)),
    ...namedWords('slot', before.slots, after.slots, slotWords(unit)),
    ...plainWords('fill', before.fill, after.fill, unit),
    ...singleWords(mat, before.mat, after.mat, unit),
    ...(['behind', 'before', 'captions'] as const).flatMap((list) => listWords(list, before[list], after[list], unit)),
    ...namedWords('set', before.sets, after.sets, (one, other) => formWords(layerSet.controls, one, other, unit)),
    ...(same(before.backdrop, after.backdrop) ? [] : [changeWords('backdrop', before.backdrop, after.backdrop, undefined, unit)]), // prettier-ignore
    ...plainWords('limits', before.limits, after.limits, unit),
    ...plainWords('metadata', before.metadata, after.metadata, unit),
    ...namedWords('output', before.outputs, after.outputs, outputWords),
  ];
}
