/** The parts of a template in a few words, for closed sections. */
import { SHAPES, type Shape } from '@/core/shape';
import type { Template } from '@/core/template';

const number = (v: number) => String(Math.round(v * 100) / 100);

export function frameWords({ frame }: Template): string {
  return `${number(frame.width)} × ${number(frame.height)} ${frame.unit}`;
}

export function shapeName(shape: Shape): string {
  if (shape.kind === 'polygon') return `${shape.sides} sides`;
  if (shape.kind === 'text') return `Letters: ${shape.text}`;
  if (shape.kind === 'path') return 'Drawn outline';
  if (shape.kind === 'combined') return `${shape.parts.length} ${shape.parts.length === 1 ? 'part' : 'parts'} combined`;
  return SHAPES[shape.kind].label;
}

export function shapeWords({ shape, frame }: Template): string {
  const { width, height } = shape.box;
  const size =
    shape.kind === 'circle' || width === height
      ? number(Math.min(width, height))
      : `${number(width)} × ${number(height)}`;
  return `${shapeName(shape).toLowerCase()}, ${size} ${frame.unit}`;
}

export function edgeWords({ edge: { rounding, feather }, frame: { unit } }: Template): string {
  const words = [
    ...(rounding > 0 ? [`corners ${number(rounding)} ${unit}`] : []),
    ...(feather > 0 ? [`feather ${number(feather)} ${unit}`] : []),
  ];
  return words.join(', ') || 'sharp';
}

export function bordersWords({ borders, frame }: Template): string {
  if (borders.length === 0) return 'none';
  if (borders.length > 1) return `${borders.length} borders`;
  return `${number(borders[0]!.width)} ${frame.unit} ${borders[0]!.align}`;
}

export function shadowsWords({ shadows }: Template): string {
  if (shadows.length === 0) return 'none';
  return shadows.length > 1 ? `${shadows.length} shadows` : `drop, ${Math.round(shadows[0]!.opacity * 100)} %`;
}

export const backdropWords = ({ backdrop }: Template) => backdrop ?? 'transparent';

/** The centring rule in a few words. */
export function centreWords({ centring: { rule, size } }: Template): string {
  const what = { middle: 'middle of the photo', subject: 'subject', face: 'face', point: 'point by hand' }[rule];
  return size === null ? what : `${what}, ${Math.round(size * 100)} %`;
}
