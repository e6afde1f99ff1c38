/** The parts of a template in a few words, for closed sections. */
import {
  before as beforeLayer,
  behind as behindLayer,
  LAYER_LISTS,
  layerKind,
  mat as matLayer,
  number,
  reflection as reflectionLayer,
  rough as roughLayer,
  type LayerList,
} from '@/core/layers';
import { isPicked, type LinePaint } from '@/core/paint';
import { TEXTURES } from '@/core/texture';
import { SHAPES, type CombinedShape, type Shape } from '@/core/shape';
import { slotTemplates, type Template } from '@/core/template';

export function frameWords({ frame }: Template): string {
  return `${number(frame.width)} × ${number(frame.height)} ${frame.unit}`;
}

const POLYGONS: Readonly<Record<number, string>> = {
  3: 'Triangle',
  4: 'Square on its corner',
  5: 'Pentagon',
  6: 'Hexagon',
  8: 'Octagon',
};

const OPS = { add: '+', cut: '−', overlap: '∩' } as const;
/** Parts that are called by their names. */
const NAMED = 3;

function combinedName({ parts }: CombinedShape): string {
  const on = parts.filter((part) => !part.off);
  if (on.length > NAMED) return `${on.length} parts combined`;
  return on
    .map(({ op, shape, repeat: { count } }, i) => {
      const name = `${shapeName(shape)}${count > 1 ? ` × ${count}` : ''}`;
      return i === 0 ? name : `${OPS[op]} ${name.toLowerCase()}`;
    })
    .join(' ');
}

export function shapeName(shape: Shape): string {
  if (shape.kind === 'polygon') return POLYGONS[shape.sides] ?? `${shape.sides} sides`;
  if (shape.kind === 'text') return `Letters: ${shape.text}`;
  if (shape.kind === 'path') return 'Drawn outline';
  if (shape.kind === 'combined') return combinedName(shape);
  return SHAPES[shape.kind].label;
}

export function shapeWords({ shape, frame, mode }: Template): string {
  const { width, height } = shape.box;
  const size =
    shape.kind === 'circle' || width === height
      ? number(Math.min(width, height))
      : `${number(width)} × ${number(height)}`;
  return `${mode === 'window' ? 'around a ' : ''}${shapeName(shape).toLowerCase()}, ${size} ${frame.unit}`;
}

export function slotsWords({ slots, fill }: Template): string {
  if (slots.length === 0) return 'one photo a cutout';
  return `${slots.length}, filled by ${fill.by}`;
}

export function edgeWords({ edge: { rounding, feather, pins, rough, relief }, frame: { unit } }: Template): string {
  const words = [
    ...(rounding > 0 ? [`corners ${number(rounding)} ${unit}`] : []),
    ...(feather > 0 ? [`feather ${number(feather)} ${unit}`] : []),
    ...(pins.length > 0 ? ['bent'] : []),
    ...(rough ? [roughLayer.words(rough, unit)] : []),
    ...(relief ? ['relief'] : []),
  ];
  return words.length > 2 ? `${words.length} changes` : words.join(', ') || 'sharp';
}

const changed = (share: number) => `${share > 1 ? '+' : '−'}${Math.round(Math.abs(share - 1) * 100)} %`;

export function coloursWords({ filters }: Template): string {
  const words = [
    ...(['brightness', 'contrast', 'saturate'] as const)
      .filter((key) => filters[key] !== 1)
      .map((key) => `${key === 'saturate' ? 'saturation' : key} ${changed(filters[key])}`),
    ...(filters.grayscale > 0 ? ['grey'] : []),
    ...(filters.sepia > 0 ? ['sepia'] : []),
    ...(filters.hueRotate !== 0 ? ['hue turned'] : []),
    ...(filters.recolour ? ['two tones'] : []),
  ];
  return words.length > 2 ? `${words.length} changes` : words.join(', ') || 'as they are';
}

/** One layer in its own words, several by their number. */
function listWords<K extends LayerList>(list: K, template: Template): string {
  const layers = template[list] as readonly Template[K][number][];
  const [first, ...others] = layers.filter(({ on }) => on);
  if (!first) return layers.length === 0 ? 'none' : 'off';
  if (others.length > 0) return `${others.length + 1} ${list === 'before' ? 'layers' : list}`;
  return layerKind(list).words(first, template.frame.unit);
}

/** How many layers there are of all kinds. */
export function layersWords(template: Template): string {
  const all = (Object.keys(LAYER_LISTS) as LayerList[]).flatMap((list) => template[list].map(({ on }) => on));
  const off = all.filter((on) => !on).length;
  return `${all.length || 'none'}${all.length > 0 && off > 0 ? `, ${off} off` : ''}`;
}

export const tintsWords = (template: Template): string => listWords('tints', template);
export const bordersWords = (template: Template): string => listWords('borders', template);
export function beforeWords(template: Template): string {
  const [first, ...others] = template.before.filter(({ on }) => on);
  const words = listWords('before', template);
  return first && others.length === 0 ? `${beforeLayer.title(first).toLowerCase()}, ${words}` : words;
}
export const captionsWords = (template: Template): string => listWords('captions', template);

export function shadowsWords(template: Template): string {
  const { reflection, shadows, frame } = template;
  const words = listWords('shadows', template);
  if (!reflection?.on) return words;
  return shadows.some(({ on }) => on) ? `${words}; reflection` : reflectionLayer.words(reflection, frame.unit);
}

export const framingWords = (own: number | undefined): string =>
  own ? `ready ones, and ${own} of your own` : 'ready ones for any shape';

export const matWords = ({ mat, frame }: Template): string => matLayer.words(mat, frame.unit);

/** A paint in a few words. */
function paintWords(paint: LinePaint): string {
  if (typeof paint === 'string') return paint;
  if (paint.kind === 'texture') return TEXTURES[paint.of.kind].label.toLowerCase();
  if (paint.kind === 'pattern') return 'a picture as pattern';
  return isPicked(paint) ? `${paint.tone} colour of the ${paint.from}` : `${paint.kind} gradient`;
}

export function backdropWords(template: Template): string {
  const { backdrop, behind, frame } = template;
  const [first, ...others] = behind.filter(({ on }) => on);
  if (others.length > 0) return `${others.length + 1} layers`;
  if (first?.show === 'photo') return `photo again, ${behindLayer.words(first, frame.unit)}`;
  if (first?.show === 'picture') return 'a picture';
  return first ? paintWords(first.paint) : backdropPaintWords({ backdrop });
}

/** What all of it lies on, without the layers behind. */
export const backdropPaintWords = ({ backdrop }: Pick<Template, 'backdrop'>): string =>
  backdrop === null ? 'transparent' : paintWords(backdrop);

/** The centring rule in a few words. */
/** Where slots differ, only that they do. */
export function centreWords(template: Template): string {
  const [first, ...others] = new Set(slotTemplates(template).map(ruleWords));
  return others.length > 0 ? 'each slot by itself' : first!;
}

function ruleWords({ centring: { rule, size } }: Template): string {
  const what = {
    auto: 'what suits each',
    middle: 'middle of the photo',
    subject: 'subject',
    face: 'face',
    point: 'point by hand',
  }[rule];
  if (size === null) return what;
  if (size === 'batch') return `${what}, alike in size`;
  return typeof size === 'number' ? `${what}, ${Math.round(size * 100)} %` : `${what}, a size for each kind`;
}
