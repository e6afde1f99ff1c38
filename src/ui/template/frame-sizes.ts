'use client';
/** Frames that are ready to be picked: some that are often wanted, and own ones that this browser keeps. */
import { z } from 'zod';
import { number } from '@/core/layers';
import { frameSchema, type Frame } from '@/core/template';
import { createKept } from '../shared/kept';

type ReadySize = { readonly name: string; readonly frame: Frame };

const px = (width: number, height: number): Frame => ({ width, height, unit: 'px', ppi: 96 });
const mm = (width: number, height: number): Frame => ({ width, height, unit: 'mm', ppi: 300 });

export const READY_SIZES: readonly ReadySize[] = [
  { name: 'Square', frame: px(1080, 1080) },
  { name: 'Small square', frame: px(300, 300) },
  { name: 'Upright', frame: px(1080, 1350) },
  { name: 'Story', frame: px(1080, 1920) },
  { name: 'Banner', frame: px(1920, 1080) },
  { name: 'Strip', frame: px(1600, 400) },
  { name: 'Card', frame: mm(100, 60) },
  { name: 'Postcard', frame: mm(148, 105) },
  { name: 'Round label', frame: mm(50, 50) },
];

const own = createKept('frames', z.array(frameSchema).max(30), []);

export const sameFrame = (a: Frame, b: Frame): boolean =>
  a.width === b.width && a.height === b.height && a.unit === b.unit && (a.unit === 'px' || a.ppi === b.ppi);

export const sizeWords = ({ width, height, unit, ppi }: Frame): string =>
  `${number(width)} × ${number(height)} ${unit}${unit === 'px' ? '' : `, ${number(ppi)} ppi`}`;

export const useOwnSizes = own.useValue;

export const keepSize = (frame: Frame): void =>
  own.change((kept) => [...kept.filter((one) => !sameFrame(one, frame)), frame].slice(-30));
export const forgetSize = (frame: Frame): void => own.change((kept) => kept.filter((one) => !sameFrame(one, frame)));
