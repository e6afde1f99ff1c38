'use client';
import { useQueryClient } from '@tanstack/react-query';
import { Suspense, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { useDropzone } from 'react-dropzone';
import { useStore } from 'zustand';
import type { BatchDetail } from '@/server/services';
import { countBatch } from '@/core/checks';
import { withSizes } from '@/core/placement';
import { templateOutline, withoutFinish, withSlotInHand, type Template } from '@/core/template';
import { areChecked, withoutReviewed } from '../checks/photo-findings';
import { useFindings } from '../checks/use-findings';
import { Doubtful } from '../export/doubtful';
import { ExportPanel } from '../export/export-panel';
import { findingsByTile } from '../checks/tile-findings';
import { takeDrop } from '../data/bringing';
import { DataBlock } from '../data/data-block';
import { DataTable } from '../data/data-table';
import { TableFoot } from '../data/table-foot';
import { useTableEdits } from '../data/use-table-edits';
import { FirstSteps } from '../photos/first-steps';
import { PhotosPanel, useIntake } from '../photos/photos-panel';
import { allMembers, countedTiles, tilesOf, type BenchPhoto } from '../photos/in-slots';
import { useTransfers } from '../photos/upload';
import { FieldsContext } from '../shared/pattern-field';
import { useStay } from '../shared/use-stay';
import { amount, plural } from '../shared/words';
import { type Trial } from '../template/make-equal';
import { SavedTemplates } from '../template/saved-templates';
import { resetStage, useStage } from '../stage/stage-state';
import { Stage } from '../stage/stage';
import { useMay } from '../people/who';
import { FOR_VIEWERS, lockedBy, lockedStore, LocksContext } from '../template/locks';
import { slotStore, useSlotInHand } from '../template/slot-store';
import { createHistory } from '../history/history';
import { keepHistory, recallHistory } from '../history/kept-history';
import { TemplatePanel } from '../template/template-panel';
import { createTemplateStore } from '../template/store';
import { useAutosave } from '../template/use-autosave';
import { groundPhoto, useGround } from './ground-picker';
import { Average } from './average';
import { TrialNote } from './trial-note';
import { CentreSide } from './centre-side';
import { CheckSide } from './check-side';
import { FilterNote } from './filter-note';
import { arranged, type Show, type Sort } from './order';
import { Easel } from '../easel/easel';
import { usePhotoEdits } from '../photos/use-edits';
import { stepWords } from './step-words';
import { StepsBar, STEP_TITLES, useStep } from './steps-bar';
import { useAlike } from './use-alike';
import { useLooking } from './use-looking';
import { usePhotoActions } from './use-photo-actions';
import { useBenchKeys } from './use-bench-keys';
import { isEdited, useBatch } from './use-batch';
import { useTogether } from './use-together';
import { useBenchPhotos } from './use-bench-photos';
import { Wall } from './wall';
import { WallBar } from './wall-bar';
import { WallFoot } from './wall-foot';

const NONE_YET: readonly BenchPhoto[] = [];

const PIXELS = { small: 84, medium: 120, large: 220 } as const;

function BatchBench({ batch, onReplaced }: { batch: BatchDetail; onReplaced: () => Promise<void> }) {
  const [history] = useState(() => createHistory(recallHistory(batch.id, batch.template)));
  useEffect(() => keepHistory(batch.id, history), [batch.id, history]);
  const [own] = useState(() => createTemplateStore(batch.template, history));
  const mayWork = useMay('artist');
  const locks = !mayWork ? FOR_VIEWERS : batch.saved?.open ? lockedBy(batch.saved.name, batch.saved.open) : null;
  const open = locks?.open ?? null;
  const store = useMemo(() => lockedStore(own, open), [own, open]);
  const template = useStore(store.state, (state) => state.template);
  const { state, flush, join, follow } = useAutosave(batch.id, store, batch.revision);
  const [step, setStep] = useStep();
  const { photos, counted, tiles, compared, total, error } = useBenchPhotos(batch, template);
  const [show, setShow] = useState<Show>('all');
  const [sort, setSort] = useState<Sort>('name');
  const [guides, setGuides] = useState(false);
  const [bare, setBare] = useState(false);
  const [trial, setTrial] = useState<(Trial & { readonly of: Template }) | null>(null);
  // A change of the template meanwhile, or another step, ends the trying.
  const trying = trial?.of === template && step === 'centre' ? trial : null;
  const shownTemplate = useMemo(() => withSizes(trying?.template ?? template, counted), [trying, template, counted]);
  const seen = useMemo(() => (bare ? withoutFinish(shownTemplate) : shownTemplate), [bare, shownTemplate]);
  // Checks compare a photo with its batch: a part of it would give other findings, and working them out for each page takes its time.
  const findings = useFindings(shownTemplate, photos.length < total ? NONE_YET : photos);
  const screen = useRef<HTMLElement>(null);
  useBenchKeys(screen, history, setStep, () => setBare((was) => !was), batch.id);
  const edits = usePhotoEdits(batch.id, history);
  const others = useTogether({ batchId: batch.id, save: state, follow, takeOthers: edits.takeOthers });
  const isWhole = photos.length === total;
  const alike = useAlike(batch.id, edits, history, isWhole && total > 0);
  const tableEdits = useTableEdits(batch.id, edits, history);
  const [ground, setGround] = useGround();
  const [size, setSize] = useState<keyof typeof PIXELS>('medium');
  const [chosen, setChosen] = useState<readonly BenchPhoto[]>([]);
  const { review, mendAll, remove, failure } = usePhotoActions(batch.id, edits);
  const view = useStage((state) => state.view);
  const slot = useSlotInHand(template);
  const hand = useMemo(() => withSlotInHand(template, slot), [template, slot]);
  const handStore = useMemo(() => slotStore(store, slot), [store, slot]);
  const inHand = useMemo(() => (slot === null ? counted : counted.filter((photo) => photo.slot === slot)), [counted, slot]); // prettier-ignore
  useEffect(() => resetStage, []);
  const onStage = step === 'template' && view === 'stage';
  const averaged = view === 'average';
  const onTable = step === 'photos' && view === 'table';
  const { intake } = useIntake(batch.id);
  useStay(useTransfers(({ list }) => list.some((t) => t.batchId === batch.id && t.error === null)));
  const { getRootProps, isDragActive } = useDropzone({
    onDrop: (files) => takeDrop(files, intake, () => setStep('photos')),
    noClick: true,
    noKeyboard: true,
    disabled: !mayWork,
  });

  const inOrder = useMemo(() => arranged(photos, show, sort, findings), [photos, show, sort, findings]);
  const shown = useMemo(() => tilesOf(photos, inOrder), [photos, inOrder]);
  const tileFindings = useMemo(() => findingsByTile(findings, shown, template), [findings, shown, template]);
  const { opened, looking, setLooking, openAt } = useLooking(photos, shown);
  const toLookAt = useMemo(() => withoutReviewed(findings, photos), [findings, photos]);
  const edited = isEdited(batch, template);
  const totals = useMemo(
    () => countBatch(photos, template.outputs, ({ id }) => toLookAt.byPhoto.has(id), countedTiles(photos)),
    [photos, template.outputs, toLookAt],
  );
  const words = useMemo(
    () => countedTiles(photos).flatMap(({ review, words: own }) => (review === 'out' ? [] : [own])),
    [photos],
  );
  const grounded = useMemo(() => groundPhoto(photos), [photos]);
  // Finishes are shown on a photo that nothing is wrong with.
  const example = counted.find(({ id }) => !toLookAt.byPhoto.has(id)) ?? counted[0];
  const subtitles = stepWords({
    batch,
    template,
    edited,
    total,
    counts: totals,
    findings,
  });

  return (
    <LocksContext value={locks}>
      <FieldsContext value={batch.fields}>
        <main className="bench" ref={screen} style={grounded}>
          <StepsBar
            name={batch.name}
            save={state.kind === 'saved' && edits.isSaving ? { kind: 'saving' } : state}
            others={others}
            onJoin={() => void join()}
            step={step}
            onStep={setStep}
            subtitles={subtitles}
          />

          <aside key={step} className="side" aria-label={STEP_TITLES[step]}>
            {step === 'photos' && (
              <>
                <PhotosPanel batch={batch} photos={photos} />
                {total > 0 && <DataBlock batch={batch} template={template} photos={photos} edits={tableEdits} />}
              </>
            )}
            {step === 'template' && (
              <>
                <SavedTemplates
                  batch={batch}
                  template={template}
                  photos={compared}
                  name={template.name}
                  edited={edited}
                  bare={bare}
                  onBare={setBare}
                  flush={flush}
                  onReplaced={onReplaced}
                />
                <TemplatePanel template={hand} store={handStore} whole={{ template, store, slot }} photo={example} />
              </>
            )}
            {step === 'centre' && (
              <CentreSide
                shown={shownTemplate}
                template={template}
                slot={slot}
                hand={hand}
                store={handStore}
                photos={inHand}
                findings={findings}
                alike={alike}
                onTry={isWhole && !trying ? (next) => setTrial({ ...next, of: template }) : null}
              />
            )}
            {step === 'check' && (
              <CheckSide
                batchId={batch.id}
                template={template}
                photos={counted}
                findings={findings}
                toLookAt={toLookAt}
                isChecked={areChecked(findings, total)}
                alike={alike}
                only={show === 'all' ? null : show}
                onOnly={(check) => setShow(check ?? 'all')}
                onRemake={(change) => store.change((t) => change(t, templateOutline(t)))}
                onMendAll={(check, words) => mendAll(photos, toLookAt, check, words)}
              />
            )}
            {step === 'export' && (
              <ExportPanel
                batchId={batch.id}
                template={template}
                store={store}
                cutouts={words}
                files={isWhole ? totals.files : null}
                narrowed={show === 'all' ? null : countedTiles(shown)}
                doubtful={
                  <Doubtful
                    template={shownTemplate}
                    photos={photos}
                    findings={findings}
                    onLook={() => setShow('look')}
                    onLeaveOut={(ids) => review(ids, 'out')}
                  />
                }
                flush={() => Promise.all([flush(), edits.flush(), tableEdits.flush()])}
              />
            )}
          </aside>

          <div {...getRootProps({ className: 'wall-area', role: undefined, tabIndex: undefined })}>
            <WallBar
              step={step}
              view={onStage || averaged || onTable ? view : 'each'}
              ground={ground}
              onGround={setGround}
              size={size}
              onSize={setSize}
              show={show}
              onShow={setShow}
              sort={sort}
              onSort={setSort}
              guides={guides}
              onGuides={setGuides}
              history={history}
            />
            {error && <p className="text-danger m-3">{error.message}</p>}
            {trying && (
              <TrialNote
                words={trying.words}
                onTake={() => store.change(() => trying.template)}
                onBack={() => setTrial(null)}
              />
            )}
            {!onStage && <FilterNote show={show} shown={shown.length} total={total} onAll={() => setShow('all')} />}
            {onStage ? (
              <Stage template={shownTemplate} slot={slot} store={handStore} photos={tiles} ground={ground} />
            ) : averaged && total > 0 ? (
              <Average
                template={seen}
                photos={chosen.length > 0 ? chosen : shown}
                findings={findings}
                ground={ground}
              />
            ) : onTable && total > 0 ? (
              <DataTable template={seen} photos={inOrder} fields={batch.fields} edits={tableEdits} />
            ) : total === 0 ? (
              <div className="wall-scroll p-4 ground" data-over={isDragActive}>
                <FirstSteps onFiles={intake} onPick={step === 'photos' ? null : () => setStep('photos')} />
              </div>
            ) : (
              <Wall
                template={seen}
                photos={shown}
                findings={tileFindings}
                ground={ground}
                filter={show}
                guides={guides}
                onReview={(ids, state) => review(allMembers(shown.filter(({ id }) => ids.includes(id))), state)}
                size={PIXELS[size]}
                onOpen={openAt}
                onRemove={(ids) => void remove(allMembers(shown.filter(({ id }) => ids.includes(id))))}
                onChoice={setChosen}
              />
            )}
            {onTable ? (
              <TableFoot photos={inOrder.length} fields={batch.fields.length} error={edits.error} />
            ) : (
              <WallFoot
                isDropping={isDragActive}
                chosen={chosen}
                shownCount={shown.length}
                edits={edits}
                failure={failure}
                onOpen={() => openAt(chosen[0] ? shown.indexOf(chosen[0]) : 0)}
                onReview={(state) => review(allMembers(chosen), state)}
                onRemove={() => void remove(allMembers(chosen))}
              >
                {step !== 'export' && total > 0 && (
                  <>
                    <span className="muted">
                      {amount(totals.exported)} × {plural(template.outputs.length, 'output')}
                    </span>
                    <Button onClick={() => setStep('export')}>Export…</Button>
                  </>
                )}
              </WallFoot>
            )}
          </div>
          {looking !== null && opened.length > 0 && (
            <Easel
              template={shownTemplate}
              photos={opened}
              place={Math.min(looking, opened.length - 1)}
              findings={findings}
              edits={edits}
              history={history}
              ground={ground}
              onPlace={setLooking}
              onHide={() => setLooking(null)}
            />
          )}
        </main>
      </FieldsContext>
    </LocksContext>
  );
}

/** One batch: the steps of the work, the recipe, and every photo as its cutout. */
export function WallScreen({ batchId }: { batchId: number }) {
  const { batch, error } = useBatch(batchId);
  const client = useQueryClient();
  // A template that came from the server replaces the one being edited: the bench starts anew.
  const [generation, setGeneration] = useState(0);
  const replaced = useCallback(async () => {
    await client.refetchQueries({ queryKey: ['batch', batchId] });
    setGeneration((g) => g + 1);
  }, [client, batchId]);
  if (error)
    return (
      <main className="page">
        <div className="empty">{error.message}</div>
      </main>
    );
  if (!batch) return <main className="page muted">Opening…</main>;
  return (
    <Suspense>
      <BatchBench key={generation} batch={batch} onReplaced={replaced} />
    </Suspense>
  );
}
