/** All that a template has of a finish, for a frame of another size. */
import { edgeRelief, grown, grownPaint, LAYER_LISTS, mat, reflection, rough, type Growth } from '../layers';
import type { TemplateDocument } from './schema';

export type Finish = Pick<
  TemplateDocument,
  | 'edge'
  | 'light'
  | 'behind'
  | 'before'
  | 'filters'
  | 'tints'
  | 'borders'
  | 'shadows'
  | 'reflection'
  | 'mat'
  | 'captions'
  | 'backdrop'
>;

export function grownFinish(finish: Finish, growth: Growth): Finish {
  const { edge, light, behind, before, filters, tints, borders, shadows, captions, backdrop } = finish;
  return {
    edge: {
      ...edge,
      rounding: growth.length(edge.rounding),
      feather: growth.length(edge.feather),
      rough: edge.rough && grown(rough, edge.rough, growth),
      relief: edge.relief && grown(edgeRelief, edge.relief, growth),
    },
    light,
    filters,
    behind: behind.map((layer) => grown(LAYER_LISTS.behind, layer, growth)),
    before: before.map((layer) => grown(LAYER_LISTS.before, layer, growth)),
    tints: tints.map((layer) => grown(LAYER_LISTS.tints, layer, growth)),
    borders: borders.map((layer) => grown(LAYER_LISTS.borders, layer, growth)),
    shadows: shadows.map((layer) => grown(LAYER_LISTS.shadows, layer, growth)),
    captions: captions.map((layer) => grown(LAYER_LISTS.captions, layer, growth)),
    reflection: finish.reflection && grown(reflection, finish.reflection, growth),
    mat: grown(mat, finish.mat, growth),
    backdrop: backdrop && grownPaint(backdrop, growth),
  };
}
