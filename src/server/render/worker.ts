/** The render thread: one named function a task. Errors cross the thread as plain data. */
import sharp from 'sharp';
import { WobrelError } from '../../core/errors';
import { compile, sharedPlate, type Plate } from '../../core/plate';
import type { Template } from '../../core/template';
import { renderPhoto, reusedBuffers, type RenderedFile, type RenderTask } from './render';

// The pool has a thread a core already; more inside each only get in each other's way.
sharp.concurrency(1);
sharp.cache(false);

export type Outcome<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly code: string; readonly message: string; readonly at: string | null };

async function outcomeOf<T>(work: () => Promise<T> | T): Promise<Outcome<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    if (error instanceof WobrelError) return { ok: false, code: error.code, message: error.message, at: error.at };
    throw error;
  }
}

// The pool gives a thread one task at a time.
const bufferFor = reusedBuffers();

export const render = (task: RenderTask): Promise<Outcome<RenderedFile[]>> =>
  outcomeOf(() => renderPhoto(task, bufferFor));

export const plate = (task: { template: Template; width: number; matte: string | null }): Promise<Outcome<Plate>> =>
  outcomeOf(() => sharedPlate(compile(task.template, task.width, task.matte, task.template.centring.gap !== 'extend')));
