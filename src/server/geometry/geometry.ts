/** Outlines and all that goes by them, worked out in a thread of their own: the server's loop never waits for a shape. */
import type { BatchFindings, CheckedPhoto } from '../../core/checks';
import { WobrelError } from '../../core/errors';
import type { Outline, Shape, ShapeDocument } from '../../core/shape';
import { keptTemplate, type Template } from '../../core/template';
import { oncePerProcess } from '../once';
import { createThreads } from '../threads';

/** A template as it is kept: read, every size filled in, and its outline where working that out takes long. */
export type KeptTemplate = { readonly template: Template; readonly outline: Outline | null };

type NamedPhoto = CheckedPhoto & { readonly name: string };

export type Geometry = {
  /** @throws WobrelError with the path of the first field at fault; `shape-intricate` where it would take too long */
  readonly template: (document: unknown) => Promise<KeptTemplate>;
  readonly shape: (document: ShapeDocument) => Promise<Shape>;
  readonly findings: (kept: KeptTemplate, photos: readonly NamedPhoto[]) => Promise<BatchFindings>;
};

/** What is refused before it is tried is meant to take a few seconds at most; this is for what no one has thought of. */
const SECONDS = 20;

/** The thread of this process; refuses by the schema alone what it can, before any thread is asked. */
export const outlinesOf = (): Geometry =>
  oncePerProcess('geometry', () => {
    const { run } = createThreads({
      worker: 'geometry-worker.mjs',
      threads: 2,
      seconds: SECONDS,
      megabytes: 1024,
      tooMuch: () =>
        new WobrelError('shape-intricate', 'shape: the shape is too intricate: it takes too long', 'shape'),
    });
    return {
      template: (document) => {
        try {
          keptTemplate(document);
        } catch (error) {
          if (!(error instanceof WobrelError) || error.code !== 'template-unfinished') throw error;
        }
        return run<KeptTemplate>('template', document);
      },
      shape: (document) => run<Shape>('shape', document),
      findings: (kept, photos) => run<BatchFindings>('findings', { ...kept, photos }),
    };
  });
