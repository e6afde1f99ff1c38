import { defineShape, shareParam } from '../definition';
import { pen } from '../pen';

/** Ticket: a panel with a round notch in each end; `notch` is its diameter's share of the height. */
export const ticket = defineShape({
  kind: 'ticket',
  label: 'Ticket',
  also: ['coupon', 'voucher'],
  anyProportion: true,
  aspect: 1.7,
  params: { notch: shareParam(0.05, 0.9, 0.34) },
  controls: { notch: { label: 'Notches', as: 'share' } },
  handles: { notch: ({ notch }, { width: w, height: h }) => [w / 2, -Math.min((notch * h) / 2, 0.45 * w)] },
  outline: ({ notch }, { width: w, height: h }) => {
    const r = Math.min((notch * h) / 2, 0.45 * w);
    return [
      pen(-w / 2, -h / 2)
        .line(w / 2, -h / 2)
        .arc(w / 2, 0, r, r, -Math.PI / 2, -Math.PI)
        .line(w / 2, h / 2)
        .line(-w / 2, h / 2)
        .arc(-w / 2, 0, r, r, Math.PI / 2, -Math.PI)
        .close(),
    ];
  },
});
