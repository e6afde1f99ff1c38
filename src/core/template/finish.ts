/** The look of a template, apart from its shape and where photos go. */
import { NO_FILTERS } from '../paint';
import { withEachSlot } from './slots';
import type { Template } from './template';

/** The template with the photo as it is, sharp edges and no layers, to compare its finish with; its picture stays as large. */
export const withoutFinish = (template: Template): Template => withEachSlot(bared(template), template, bared);

const bared = (template: Template): Template => ({
  ...template,
  edge: { ...template.edge, rounding: 0, feather: 0, pins: [], rough: null, relief: null },
  behind: [],
  before: [],
  filters: NO_FILTERS,
  tints: [],
  borders: [],
  shadows: [],
  reflection: null,
  mat: { ...template.mat, paint: null },
  captions: [],
  backdrop: null,
});
