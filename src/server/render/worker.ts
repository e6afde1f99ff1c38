/** The render thread: one named function a task. */
import sharp from 'sharp';
import type { Plate } from '../../core/plate';
import { outcomeOf, type Outcome } from '../threads/outcome';
import { lossTask, type Loss, type LossTask } from './loss';
import { ownTask, type OwnTask } from './own';
import { reusedBuffers } from './render';
import { plateTask, renderTask, type PlateTask, type RenderedPhoto, type RenderTask } from './task';

// The pool has a thread a core already; more inside each only get in each other's way.
sharp.concurrency(1);
sharp.cache(false);

// The pool gives a thread one task at a time.
const bufferFor = reusedBuffers();

export const render = (task: RenderTask): Promise<Outcome<RenderedPhoto>> =>
  outcomeOf(() => renderTask(task, bufferFor));

export const plate = (task: PlateTask): Promise<Outcome<Plate>> => outcomeOf(() => plateTask(task));

export const loss = (task: LossTask): Promise<Outcome<Loss>> => outcomeOf(() => lossTask(task));

export const own = (task: OwnTask): Promise<Outcome<Awaited<ReturnType<typeof ownTask>>>> =>
  outcomeOf(() => ownTask(task));
