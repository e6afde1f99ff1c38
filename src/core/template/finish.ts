/** The look of a template, apart from its shape and where photos go. */
import type { Template } from './template';

/** The template with sharp edges and no layers, to compare its finish with. */
export const withoutFinish = (template: Template): Template => ({
  ...template,
  edge: { ...template.edge, rounding: 0, feather: 0 },
  borders: [],
  shadows: [],
  backdrop: null,
});
