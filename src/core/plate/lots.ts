/** Which layers behind and before are laid straight on what is below them, and which are a picture of their own first. */
import type { Before, Behind, LayerSet } from '../layers';
import type { Blend } from '../paint';
import { isBehind } from './behind';

type Layer = Behind | Before;

/** Layers that lie on each other, by their places in the list, the lowest first. */
export type Lot = {
  readonly layers: readonly number[];
  /** How the picture that they are by themselves is mixed with what is below; null where each of them is laid straight. */
  readonly apart: { readonly blend: Blend; readonly opacity: number } | null;
  /** True where layers of it are mixed by themselves, as of a list of their own. */
  readonly isSet: boolean;
  /** Holes through all that the set is. */
  readonly cuts: readonly number[];
};

const isHole = ({ show }: Layer): boolean => show === 'hole';

/** Cuts the layer right below it. */
const isCut = (layer: Layer): boolean => isHole(layer) && 'through' in layer && layer.through === 'layer';

const hasTint = ({ tint }: Layer): boolean => tint !== null && tint.on && tint.opacity > 0;

/** True where a layer can't be laid straight: it is mixed by a mode, or a paint lies on it alone. */
const isApart = (layer: Layer): boolean => !isHole(layer) && (layer.blend !== 'normal' || hasTint(layer));

const AS_IT_IS = { opacity: 1, blend: 'normal', on: true } as const;

/** Whether it makes no difference that the layers of a set are laid on each other first: source over is associative. */
const isStraight = (layers: readonly Layer[], { opacity, blend }: Pick<LayerSet, 'opacity' | 'blend'>): boolean =>
  opacity === 1 && blend === 'normal' && layers.every((layer) => !isHole(layer) && layer.blend === 'normal');

/**
 * Layers that are not drawn are left out.
 *
 * @param within their places, where they are the layers of a set
 */
export function lotsOf(
  layers: readonly Layer[],
  sets: readonly LayerSet[],
  within: readonly number[] | null = null,
): Lot[] {
  const lots: Lot[] = [];
  const places = (within ?? layers.map((_, i) => i)).filter((i) => isBehind(layers[i]!));
  const setAt = (i: number) => (within ? null : layers[i]!.set);
  const one = (i: number) => {
    const layer = layers[i]!;
    const last = lots.at(-1);
    const isOnLast = isCut(layer) && last !== undefined && [...last.layers, ...last.cuts].at(-1) === i - 1;
    if (isOnLast && last.isSet) lots.splice(-1, 1, { ...last, cuts: [...last.cuts, i] });
    else if (isApart(layer))
      lots.push({ layers: [i], apart: { blend: layer.blend, opacity: 1 }, isSet: false, cuts: [] });
    else if (last && !last.isSet && (last.apart === null || isOnLast))
      lots.splice(-1, 1, { ...last, layers: [...last.layers, i] });
    else lots.push({ layers: [i], apart: null, isSet: false, cuts: [] });
  };
  for (let k = 0; k < places.length;) {
    const name = setAt(places[k]!);
    let end = k + 1;
    while (name !== null && end < places.length && setAt(places[end]!) === name) end++;
    const own = places.slice(k, end);
    const set = sets.find((known) => known.name === name) ?? AS_IT_IS;
    const next = layers[own.at(-1)! + 1];
    // A hole right above a set goes through all of it.
    const isPierced = name !== null && next !== undefined && next.set === null && isBehind(next) && isCut(next);
    const isPlain = set.on && !isPierced && isStraight(own.map((i) => layers[i]!), set); // prettier-ignore
    if (name === null || isPlain) own.forEach(one);
    else if (set.on && set.opacity > 0) lots.push({ layers: own, apart: { blend: set.blend, opacity: set.opacity }, isSet: true, cuts: [] }); // prettier-ignore
    k = end;
  }
  return lots;
}
