import { defineShape, shareParam } from '../definition';
import { pen } from '../pen';

/** Shield: straight shoulders and sides that swing in to a point below; `straight` is the sides' upright part, `peak` lifts the middle of the top. */
export const shield = defineShape({
  kind: 'shield',
  label: 'Shield',
  also: ['badge', 'crest'],
  aspect: 0.86,
  params: { straight: shareParam(0, 0.8, 0.4), peak: shareParam(0, 0.3, 0.06) },
  controls: { straight: { label: 'Straight part', as: 'share' }, peak: { label: 'Peak', as: 'share' } },
  handles: {
    straight: ({ straight, peak }, { width: w, height: h }) => [w / 2, (peak - 0.5 + straight * (1 - peak)) * h],
    peak: ({ peak }, { width: w, height: h }) => [-w / 2, (peak - 0.5) * h],
  },
  outline: ({ straight: upright, peak }, { width: w, height: h }) => {
    const shoulder = -h / 2 + peak * h;
    const bend = shoulder + upright * (h / 2 - shoulder);
    const rest = h / 2 - bend;
    const drawn = pen(0, -h / 2);
    if (peak > 0) drawn.curve(0.14 * w, -h / 2 + 0.75 * peak * h, 0.32 * w, shoulder, w / 2, shoulder);
    else drawn.line(w / 2, shoulder);
    drawn
      .line(w / 2, bend)
      .curve(w / 2, bend + 0.46 * rest, 0.3 * w, bend + 0.78 * rest, 0, h / 2)
      .curve(-0.3 * w, bend + 0.78 * rest, -w / 2, bend + 0.46 * rest, -w / 2, bend)
      .line(-w / 2, shoulder);
    if (peak > 0) drawn.curve(-0.32 * w, shoulder, -0.14 * w, -h / 2 + 0.75 * peak * h, 0, -h / 2);
    return [drawn.close()];
  },
});
