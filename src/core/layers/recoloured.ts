import { filtersSchema } from '../paint';
import { defineLayer, number, percent } from './layer';

/** The colours of a layer behind or before changed, as a photo's own are. */
export const recoloured = defineLayer({
  schema: filtersSchema,
  lengths: [],
  title: () => 'Colours',
  words: ({ brightness, contrast, saturate, grayscale, sepia, hueRotate }) =>
    [
      ...(brightness === 1 ? [] : [`brightness ${percent(brightness)}`]),
      ...(contrast === 1 ? [] : [`contrast ${percent(contrast)}`]),
      ...(saturate === 1 ? [] : [`saturation ${percent(saturate)}`]),
      ...(grayscale === 0 ? [] : [`grey ${percent(grayscale)}`]),
      ...(sepia === 0 ? [] : [`sepia ${percent(sepia)}`]),
      ...(hueRotate % 360 === 0 ? [] : [`hue ${number(hueRotate)}°`]),
    ].join(', ') || 'as they are',
  controls: {
    brightness: { label: 'Brightness', as: 'times', slider: [0, 2] },
    contrast: { label: 'Contrast', as: 'times', slider: [0, 2] },
    saturate: { label: 'Saturation', as: 'times', slider: [0, 2] },
    grayscale: { label: 'Grey', as: 'strength' },
    sepia: { label: 'Sepia', as: 'strength' },
    hueRotate: { label: 'Hue turned', as: 'angle', slider: [-180, 180] },
  },
});
