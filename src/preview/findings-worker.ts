/** The findings worker: checks a batch's photos, each change only as far as it reaches. */
import { watchFindings, type FindingsWatch } from '../core/checks';
import { bringCaptionFonts } from './fonts';
import type { FindingsAnswer, FindingsMessage } from './findings-protocol';

const scope = self as unknown as DedicatedWorkerGlobalScope;
let watch: FindingsWatch | null = null;

scope.onmessage = async ({ data: { ticket, template, changed, order } }: MessageEvent<FindingsMessage>) => {
  let answer: FindingsAnswer;
  try {
    // One question is under way at a time: nothing comes between.
    if (template) await bringCaptionFonts(template);
    watch ??= watchFindings(template!);
    if (template) watch.useTemplate(template);
    if (order) watch.usePhotos(changed, order);
    answer = { ticket, change: watch.changes() };
  } catch (error) {
    answer = { ticket, error: (error as Error).message };
  }
  scope.postMessage(answer);
};
