/** The preview worker: draws what it is asked to, in order. */
import { draw } from './draw';
import type { DrawMessage, DrawnMessage } from './protocol';

const scope = self as unknown as DedicatedWorkerGlobalScope;

scope.onmessage = async ({ data: { ticket, template, width, photos, forMean } }: MessageEvent<DrawMessage>) => {
  const drawn = await draw(template, width, photos, forMean);
  const answer: DrawnMessage = { ticket, drawn };
  scope.postMessage(
    answer,
    drawn.flatMap((d) => ('pixels' in d ? [d.pixels.buffer] : [])),
  );
};
