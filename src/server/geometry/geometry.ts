/** Outlines and all that goes by them, worked out in a thread of their own: the server's loop never waits for a shape. */
import type { BatchPhoto, Compared } from '../../core/checks';
import { WobrelError } from '../../core/errors';
import type { Outline, Shape, ShapeDocument } from '../../core/shape';
import { keptTemplate, type Template } from '../../core/template';
import { oncePerProcess } from '../once';
import { createThreads } from '../threads';

/** A template as it is kept: read, every size filled in, and its outline where working that out takes long. */
export type KeptTemplate = { readonly template: Template; readonly outline: Outline | null };

export type Geometry = {
  /** @throws WobrelError with the path of the first field at fault; `shape-intricate` where it would take too long */
  readonly template: (document: unknown) => Promise<KeptTemplate>;
  readonly shape: (document: ShapeDocument) => Promise<Shape>;
  /** The template with the sizes of its batch (`withSizes`). */
  readonly sized: (kept: KeptTemplate, photos: readonly BatchPhoto[]) => Promise<Template>;
  /** The outlines that cutouts are cut along, one a shape, in frame units. */
  readonly cuts: (kept: KeptTemplate) => Promise<readonly Outline[]>;
  readonly comparison: (kept: KeptTemplate, photos: readonly BatchPhoto[]) => Promise<Compared>;
  /** How many photos have a finding of their own. */
  readonly findings: (kept: KeptTemplate, photos: readonly BatchPhoto[]) => Promise<number>;
};

/** What is refused before it is tried is meant to take a few seconds at most; this is for what no one has thought of. */
const SECONDS = 20;
/** Checking a batch of ten thousand takes its time, whatever its shape. */
const CHECK_SECONDS = 240;

/** The threads of this process; refuses by the schema alone what it can, before any thread is asked. */
export const outlinesOf = (): Geometry =>
  oncePerProcess('geometry', () => {
    const common = { worker: 'geometry-worker.mjs', megabytes: 1024 };
    const { run } = createThreads({
      ...common,
      threads: 2,
      seconds: SECONDS,
      tooMuch: () =>
        new WobrelError('shape-intricate', 'shape: the shape is too intricate: it takes too long', 'shape'),
    });
    const checks = createThreads({
      ...common,
      threads: 1,
      seconds: CHECK_SECONDS,
      tooMuch: () => new WobrelError('too-many', 'The batch could not be checked: it takes too long.'),
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
      cuts: (kept) => run<readonly Outline[]>('cuts', kept),
      sized: (kept, photos) => checks.run<Template>('sized', { ...kept, photos }),
      comparison: (kept, photos) => checks.run<Compared>('comparison', { ...kept, photos }),
      findings: (kept, photos) => checks.run<number>('findings', { ...kept, photos }),
    };
  });
