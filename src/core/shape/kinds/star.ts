import { countParam, defineShape, lengthParam, shareParam } from '../definition';
import { onEllipse, polygonContour, snap } from '../path';
import { roundContour } from '../round';

/** Star: tips on the box's ellipse, first one up, valleys at `valley` of the way out; both may be rounded apart. */
export const star = defineShape({
  kind: 'star',
  label: 'Star',
  also: ['rating'],
  regular: true,
  params: {
    tips: countParam(3, 60, 5),
    valley: shareParam(0.05, 1, 0.5),
    tipRadius: lengthParam().default(0),
    valleyRadius: lengthParam().default(0),
  },
  controls: {
    tips: { label: 'Tips', as: 'count' },
    valley: { label: 'Valleys', as: 'share' },
    tipRadius: { label: 'Round tips', as: 'length' },
    valleyRadius: { label: 'Round valleys', as: 'length' },
  },
  handles: {
    tips: ({ tips }, { width: w, height: h }) => onEllipse((2 * Math.PI) / tips - Math.PI / 2, w / 2, h / 2),
    valley: ({ tips, valley }, { width: w, height: h }) =>
      onEllipse(Math.PI / tips - Math.PI / 2, (valley * w) / 2, (valley * h) / 2),
    tipRadius: ({ tipRadius }, { height: h }) => [0, tipRadius - h / 2],
    valleyRadius: ({ tips, valley, valleyRadius }, { width: w, height: h }) =>
      onEllipse(-Math.PI / tips - Math.PI / 2, (valley * w) / 2 + valleyRadius, (valley * h) / 2 + valleyRadius),
  },
  outline: ({ tips, valley, tipRadius, valleyRadius }, { width, height }) => {
    const corners = Array.from({ length: 2 * tips }, (_, i) => {
      const angle = -Math.PI / 2 + (Math.PI * i) / tips;
      const out = i % 2 === 0 ? 1 : valley;
      return [snap((width / 2) * out * Math.cos(angle)), snap((height / 2) * out * Math.sin(angle))] as const;
    });
    return [roundContour(polygonContour(corners), (i) => (i % 2 === 0 ? tipRadius : valleyRadius))];
  },
});
