'use client';
import { withSlotInHand, withSlotPutBack, type Template } from '@/core/template';
import type { PhotoFindings } from '../checks/photo-findings';
import type { History } from '../history/history';
import type { BenchPhoto } from '../photos/in-slots';
import type { PhotoEdits } from '../photos/use-edits';
import { CentringPanel } from '../template/centring-panel';
import { Lockable } from '../template/locks';
import { MakeEqual } from '../template/make-equal';
import { SeenNote } from '../template/seen-note';
import { SlotPicker } from '../template/slot-picker';
import type { TemplateStore } from '../template/store';
import { AlikeNote } from './alike-note';

type CentreSideProps = {
  readonly batchId: number;
  /** As it is shown: sizes that go by the batch are worked out. */
  readonly shown: Template;
  readonly template: Template;
  /** The slot in hand, the template as it is for that, and its store. */
  readonly slot: number | null;
  readonly hand: Template;
  readonly store: TemplateStore;
  /** Those that are exported, of that slot. */
  readonly photos: readonly BenchPhoto[];
  readonly findings: PhotoFindings;
  readonly edits: PhotoEdits;
  readonly history: History;
  /** Null while not all photos are known, or something is tried already. */
  readonly onTry: ((trial: { readonly words: string; readonly template: Template }) => void) | null;
};

/** The side of the step in which photos are centred. */
export function CentreSide({
  batchId,
  shown,
  template,
  slot,
  hand,
  store,
  photos,
  findings,
  edits,
  history,
  onTry,
}: CentreSideProps) {
  return (
    <>
      {onTry && (
        <MakeEqual
          template={withSlotInHand(shown, slot)}
          placed={photos.flatMap(({ id }) => findings.placed.get(id) ?? [])}
          onTry={({ words, template: next }) => onTry({ words, template: withSlotPutBack(template, slot, next) })}
        />
      )}
      {slot !== null && <SlotPicker template={template} slot={slot} />}
      <SeenNote template={hand} store={store} photos={photos} />
      <AlikeNote batchId={batchId} photos={photos} findings={findings} edits={edits} history={history} />
      <Lockable group="centring">
        <CentringPanel template={hand} store={store} />
      </Lockable>
    </>
  );
}
