import { defineShape, lengthParam, shareParam } from '../definition';
import { pen } from '../pen';

type Foot = {
  readonly radius: number;
  readonly place: number;
  readonly tailWidth: number;
  readonly tailLength: number;
};

/** The radius that fits, and where the tail's foot begins. */
function tailFoot({ radius, place, tailWidth, tailLength }: Foot, w: number, h: number) {
  const foot = tailWidth * w;
  const r = Math.min(radius, (h - tailLength * h) / 2, (w - foot) / 2);
  return { r, left: -w / 2 + r + place * (w - 2 * r - foot) };
}

/**
 * Speech bubble: a rounded panel with a tail below. `place` is where the tail leaves the
 * panel (0 left, 1 right), `lean` where its tip points, `tailWidth` its foot's share of the
 * width, `tailLength` its share of the height. A radius too large for the panel takes what fits.
 */
export const bubble = defineShape({
  kind: 'bubble',
  label: 'Speech bubble',
  also: ['balloon', 'chat', 'talk'],
  aspect: 1.35,
  params: {
    radius: lengthParam().default(120),
    place: shareParam(0, 1, 0.28),
    lean: shareParam(0, 1, 0.16),
    tailWidth: shareParam(0.02, 0.6, 0.16),
    tailLength: shareParam(0.02, 0.6, 0.22),
  },
  controls: {
    radius: { label: 'Corner radius', as: 'length' },
    place: { label: 'Tail place', as: 'share' },
    lean: { label: 'Tail points to', as: 'share' },
    tailWidth: { label: 'Tail width', as: 'share' },
    tailLength: { label: 'Tail length', as: 'share' },
  },
  handles: {
    radius: ({ radius }, { width: w, height: h }) => [Math.min(radius, w / 2, h / 2) - w / 2, -h / 2],
    place: (params, { width: w, height: h }) => [tailFoot(params, w, h).left, h / 2 - params.tailLength * h],
    lean: ({ lean }, { width: w, height: h }) => [(lean - 0.5) * w, h / 2],
    tailWidth: (params, { width: w, height: h }) => [
      tailFoot(params, w, h).left + params.tailWidth * w,
      h / 2 - params.tailLength * h,
    ],
    tailLength: ({ tailLength }, { width: w, height: h }) => [0.35 * w, (0.5 - tailLength) * h],
  },
  outline: ({ radius, place, lean, tailWidth, tailLength }, { width: w, height: h }) => {
    const bottom = h / 2 - tailLength * h;
    const { r, left } = tailFoot({ radius, place, tailWidth, tailLength }, w, h);
    const foot = tailWidth * w;
    const quarter = Math.PI / 2;
    return [
      pen(-w / 2 + r, -h / 2)
        .arc(w / 2 - r, -h / 2 + r, r, r, -quarter, quarter)
        .arc(w / 2 - r, bottom - r, r, r, 0, quarter)
        .line(left + foot, bottom)
        .line(-w / 2 + lean * w, h / 2)
        .line(left, bottom)
        .arc(-w / 2 + r, bottom - r, r, r, quarter, quarter)
        .arc(-w / 2 + r, -h / 2 + r, r, r, 2 * quarter, quarter)
        .close(),
    ];
  },
});
