'use client';
import { withSlotInHand, withSlotPutBack, type Template } from '@/core/template';
import type { PhotoFindings } from '../checks/photo-findings';
import type { BenchPhoto } from '../photos/in-slots';
import { CentringPanel } from '../template/centring-panel';
import { Lockable } from '../template/locks';
import { MakeEqual } from '../template/make-equal';
import { SeenNote } from '../template/seen-note';
import { SlotPicker } from '../template/slot-picker';
import type { TemplateStore } from '../template/store';
import { AlikeNote } from './alike-note';
import type { Alike } from './use-alike';

type CentreSideProps = {
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
  readonly alike: Alike;
  /** Null while not all photos are known, or something is tried already. */
  readonly onTry: ((trial: { readonly words: string; readonly template: Template }) => void) | null;
};

/** The side of the step in which photos are centred. */
export function CentreSide({ shown, template, slot, hand, store, photos, findings, alike, onTry }: CentreSideProps) {
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
      <AlikeNote photos={photos} findings={findings} alike={alike} />
      <Lockable group="centring">
        <CentringPanel template={hand} store={store} />
      </Lockable>
    </>
  );
}
