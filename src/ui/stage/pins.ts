/** The pins that are worked on: those of the outline, or of a band that is bent by itself. */
import type { Pins } from '@/core/layers';
import type { Bent } from '@/core/shape';
import { bandBend, bendOf, type Template } from '@/core/template';
import { replaced } from '../layers/lists';
import type { Bends } from './stage-state';

/** Most pins that an outline takes. */
export const MOST_PINS = 16;

/** What there is to bend: a border that was taken out leaves the outline. */
export const bendsIn = ({ borders }: Template, bends: Bends): Bends =>
  bends === 'edge' || borders[bends] ? bends : 'edge';

export const pinsFor = ({ edge, borders }: Template, bends: Bends): Pins =>
  bends === 'edge' ? edge.pins : borders[bends]!.pins;

export const withPins = (template: Template, bends: Bends, pins: Pins): Template =>
  bends === 'edge'
    ? { ...template, edge: { ...template.edge, pins } }
    : { ...template, borders: replaced(template.borders, bends, { pins }) };

/** How far they go, and where the outline would run across itself. */
export const bendFor = (template: Template, bends: Bends): Omit<Bent, 'outline'> =>
  bends === 'edge' ? bendOf(template) : bandBend(template, template.borders[bends]!);
