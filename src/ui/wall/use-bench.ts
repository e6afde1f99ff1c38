'use client';
import { useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { countBatch } from '@/core/checks';
import { withSizes } from '@/core/placement';
import { withoutFinish, withSlotInHand, type Template } from '@/core/template';
import type { BatchDetail } from '@/server/services';
import { withoutReviewed } from '../checks/photo-findings';
import { findingsByTile } from '../checks/tile-findings';
import { useFindings } from '../checks/use-findings';
import { useTableEdits } from '../data/use-table-edits';
import { createHistory } from '../history/history';
import { keepHistory, recallHistory } from '../history/kept-history';
import { useMay } from '../people/who';
import { countedTiles, tilesOf, type BenchPhoto } from '../photos/in-slots';
import { usePhotoEdits } from '../photos/use-edits';
import { painting } from '../shared/preview';
import { resetStage, useStage, type MiddleView } from '../stage/stage-state';
import { FOR_VIEWERS, lockedBy, lockedStore } from '../template/locks';
import type { Trial } from '../template/make-equal';
import { slotStore, useSlotInHand } from '../template/slot-store';
import { createTemplateStore } from '../template/store';
import { useAutosave } from '../template/use-autosave';
import { arranged, type Show, type Sort } from './order';
import { stepWords } from './step-words';
import { useStep } from './steps-bar';
import { useAlike } from './use-alike';
import { isEdited } from './use-batch';
import { useBenchPhotos } from './use-bench-photos';
import { useLooking } from './use-looking';
import { usePhotoActions } from './use-photo-actions';
import { useTogether } from './use-together';

const NONE_YET: readonly BenchPhoto[] = [];

/** Who may change what of the template, and the stores that take only such changes. */
function useTemplate(batch: BatchDetail) {
  const [history] = useState(() => createHistory(recallHistory(batch.id, batch.template)));
  useEffect(() => keepHistory(batch.id, history), [batch.id, history]);
  const [own] = useState(() => createTemplateStore(batch.template, history));
  const mayWork = useMay('artist');
  const locks = !mayWork ? FOR_VIEWERS : batch.saved?.open ? lockedBy(batch.saved.name, batch.saved.open) : null;
  const open = locks?.open ?? null;
  const store = useMemo(() => lockedStore(own, open), [own, open]);
  const template = useStore(store.state, (state) => state.template);
  const slot = useSlotInHand(template);
  const hand = useMemo(() => withSlotInHand(template, slot), [template, slot]);
  const handStore = useMemo(() => slotStore(store, slot), [store, slot]);
  return { history, mayWork, locks, store, template, slot, hand, handStore };
}

/** What is tried, and what is seen for it: sizes filled in, with its finish or bare. */
function useSeen(
  { template, store }: Pick<ReturnType<typeof useTemplate>, 'template' | 'store'>,
  step: string,
  counted: readonly BenchPhoto[],
) {
  const [bare, setBare] = useState(false);
  const [trial, setTrial] = useState<(Trial & { readonly of: Template }) | null>(null);
  // A change of the template meanwhile, or another step, ends the trying.
  const trying = trial?.of === template && step === 'centre' ? trial : null;
  // Before the page is drawn anew with it, canvases are: on the way of a slider the page is the slower one.
  useEffect(
    () =>
      store.state.subscribe((now, before) =>
        painting().goOn(withSizes(before.template, counted), withSizes(now.template, counted)),
      ),
    [store, counted],
  );
  const shownTemplate = useMemo(() => withSizes(trying?.template ?? template, counted), [trying, template, counted]);
  const seen = useMemo(() => (bare ? withoutFinish(shownTemplate) : shownTemplate), [bare, shownTemplate]);
  return { bare, setBare, trying, setTrial, shownTemplate, seen };
}

/** The middle's view where a step has it; each cutout where it has not. */
const viewAt = (step: string, view: MiddleView): MiddleView =>
  (view === 'stage' && step !== 'template') || (view === 'table' && step !== 'photos') ? 'each' : view;

/** All that one batch's steps, middle and easel draw, and what they do. */
export function useBench(batch: BatchDetail) {
  const recipe = useTemplate(batch);
  const { history, store, template, slot } = recipe;
  const { state: save, flush, join, goBack, follow } = useAutosave(batch.id, store, batch.revision);
  const [step, setStep] = useStep();
  const photosOf = useBenchPhotos(batch, template);
  const { photos, counted, total } = photosOf;
  const sight = useSeen(recipe, step, counted);
  const { shownTemplate } = sight;
  const [show, setShow] = useState<Show>('all');
  const [sort, setSort] = useState<Sort>('name');
  const isWhole = photos.length === total;
  // Checks compare a photo with its batch: a part of it would give other findings, and working them out for each page takes its time.
  const findings = useFindings(shownTemplate, isWhole ? photos : NONE_YET);
  const edits = usePhotoEdits(batch.id, history);
  const others = useTogether({ batchId: batch.id, save, follow, takeOthers: edits.takeOthers });
  const alike = useAlike(batch.id, edits, history, isWhole && total > 0);
  const tableEdits = useTableEdits(batch.id, edits, history);
  const [chosen, setChosen] = useState<readonly BenchPhoto[]>([]);
  const actions = usePhotoActions(batch.id, edits);
  const view = useStage((state) => state.view);
  useEffect(() => resetStage, []);

  const inOrder = useMemo(() => arranged(photos, show, sort, findings), [photos, show, sort, findings]);
  const shown = useMemo(() => tilesOf(photos, inOrder), [photos, inOrder]);
  const looked = useLooking(photos, shown);
  const tileFindings = useMemo(() => findingsByTile(findings, shown, template), [findings, shown, template]);
  const toLookAt = useMemo(() => withoutReviewed(findings, photos), [findings, photos]);
  const totals = useMemo(
    () => countBatch(photos, template.outputs, ({ id }) => toLookAt.byPhoto.has(id), countedTiles(photos)),
    [photos, template.outputs, toLookAt],
  );
  const words = useMemo(
    () => countedTiles(photos).flatMap(({ review, words: own }) => (review === 'out' ? [] : [own])),
    [photos],
  );
  const inHand = useMemo(() => (slot === null ? counted : counted.filter((photo) => photo.slot === slot)), [counted, slot]); // prettier-ignore
  const edited = isEdited(batch, template);
  const subtitles = stepWords({ batch, template, edited, total, counts: totals, findings });
  return {
    ...recipe,
    ...photosOf,
    ...sight,
    ...actions,
    ...looked,
    batch,
    save,
    flush,
    join,
    goBack,
    step,
    setStep,
    view: viewAt(step, view),
    show,
    setShow,
    sort,
    setSort,
    /** False while pages of photos are still coming. */
    isWhole,
    findings,
    edits,
    others,
    alike,
    tableEdits,
    chosen,
    setChosen,
    inOrder,
    shown,
    tileFindings,
    toLookAt,
    totals,
    /** Of each cutout that is exported. */
    words,
    /** Photos of the slot in hand. */
    inHand,
    edited,
    subtitles,
  };
}

export type Bench = ReturnType<typeof useBench>;
