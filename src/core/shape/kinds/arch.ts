import { defineShape, shareParam } from '../definition';
import { pen } from '../pen';

/** Arch: a panel whose top is half an ellipse, `rise` of the height high. */
export const arch = defineShape({
  kind: 'arch',
  label: 'Arch',
  also: ['window', 'door', 'tombstone'],
  anyProportion: true,
  params: { rise: shareParam(0.05, 1, 0.5) },
  controls: { rise: { label: 'Rise', as: 'share' } },
  handles: { rise: ({ rise }, { width: w, height: h }) => [w / 2, (rise - 0.5) * h] },
  outline: ({ rise }, { width: w, height: h }) => {
    const spring = -h / 2 + rise * h;
    return [
      pen(-w / 2, spring)
        .arc(0, spring, w / 2, rise * h, Math.PI, Math.PI)
        .line(w / 2, h / 2)
        .line(-w / 2, h / 2)
        .close(),
    ];
  },
});
