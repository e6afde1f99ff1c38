/** What the catalogue offers: every kind as it begins, and kinds with parameters that people have names for. */
import { SHAPE_KINDS, SHAPES, type ShapeKind } from './registry';

export type CatalogueEntry = {
  /** The kind's own name, or the preset's. */
  readonly id: string;
  readonly label: string;
  readonly kind: ShapeKind;
  /** Width over height in which it begins. */
  readonly aspect: number;
  /** Its parameters where they are not the kind's own, for a shape whose shorter side is so long. */
  readonly params: (side: number) => object;
  /** Other words that it is found by, lower case. */
  readonly also: readonly string[];
};

type Preset = Omit<CatalogueEntry, 'id' | 'aspect' | 'also'> & Partial<CatalogueEntry>;

const corners = (share: number) => (side: number) => ({ radii: Array<number>(4).fill(side * share) });
const regular = (label: string, sides: number, up: 'corner' | 'side' = 'corner', ...also: string[]): Preset => ({ label, kind: 'polygon', params: () => ({ sides, up }), also }); // prettier-ignore

const PRESETS: readonly Preset[] = [
  { label: 'Oval', kind: 'ellipse', aspect: 0.75, params: () => ({}), also: ['egg', 'portrait'] },
  { label: 'Square', kind: 'rectangle', params: () => ({}) },
  { label: 'Rounded square', kind: 'rectangle', params: corners(0.18), also: ['soft corners', 'tile'] },
  { label: 'Pill', kind: 'rectangle', aspect: 2.2, params: corners(0.5), also: ['capsule', 'stadium', 'button'] },
  regular('Triangle', 3),
  regular('Pentagon', 5),
  regular('Hexagon', 6, 'corner', 'honeycomb', 'pointed'),
  regular('Hexagon, flat top', 6, 'side', 'honeycomb'),
  regular('Octagon', 8, 'side', 'stop'),
  { label: 'Badge', kind: 'seal', params: () => ({ lobes: 24, depth: 0.05 }), also: ['scallop', 'stamp', 'medal'] },
  { label: 'Rosette', kind: 'seal', params: () => ({ lobes: 12, depth: 0.16 }), also: ['flower', 'award', 'ribbon'] },
  { label: 'Burst', kind: 'star', params: () => ({ tips: 20, valley: 0.84 }), also: ['badge', 'sale', 'sun'] },
];

const idOf = (label: string) => label.toLowerCase().replace(/[^a-z]+/g, '-');

const presetsOf = (kind: ShapeKind): CatalogueEntry[] =>
  PRESETS.filter((preset) => preset.kind === kind).map((preset) => ({ id: idOf(preset.label), aspect: 1, also: [], ...preset })); // prettier-ignore

type Described = { readonly aspect?: number; readonly also?: readonly string[] };

/** Kinds in their order, each before its presets. */
export const CATALOGUE: readonly CatalogueEntry[] = SHAPE_KINDS.flatMap((kind) => {
  const { aspect = 1, also = [] }: Described = SHAPES[kind];
  return [{ id: kind, label: SHAPES[kind].label, kind, aspect, also, params: () => ({}) }, ...presetsOf(kind)];
});

/** True where every word that is looked for begins a word of the entry's name, or of another name for it. */
export function isCalled({ label, also }: Pick<CatalogueEntry, 'label' | 'also'>, wanted: string): boolean {
  const names = [label, ...also].flatMap((name) => name.toLowerCase().split(/[^a-z]+/));
  return wanted
    .trim()
    .toLowerCase()
    .split(/\s+/)
    .every((word) => names.some((name) => name.startsWith(word)));
}
