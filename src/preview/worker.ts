/** The preview worker: draws what it is asked to, in order. */
import { draw } from './draw';
import type { DrawnMessage, PreviewMessage } from './protocol';

const scope = self as unknown as DedicatedWorkerGlobalScope;

scope.onmessage = async ({ data }: MessageEvent<PreviewMessage>) => {
  if ('isThere' in data) return scope.postMessage(data);
  const { ticket, template, width, photos, forMean } = data;
  const drawn = await draw(template, width, photos, forMean);
  const answer: DrawnMessage = { ticket, drawn };
  scope.postMessage(
    answer,
    drawn.flatMap((d) => ('pixels' in d ? [d.pixels.buffer] : [])),
  );
};
