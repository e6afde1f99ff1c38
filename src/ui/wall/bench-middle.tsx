'use client';
import { useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { useDropzone } from 'react-dropzone';
import { takeDrop } from '../data/bringing';
import { DataTable } from '../data/data-table';
import { TableFoot } from '../data/table-foot';
import { allMembers } from '../photos/in-slots';
import { FirstSteps } from '../photos/first-steps';
import { useIntake } from '../photos/photos-panel';
import { useTransfers } from '../photos/upload';
import { usePastedFiles } from '../photos/use-pasted-files';
import { useStay } from '../shared/use-stay';
import { amount, plural } from '../shared/words';
import { Stage } from '../stage/stage';
import { Average } from './average';
import { FilterNote } from './filter-note';
import type { Ground } from './ground-picker';
import { TrialNote } from './trial-note';
import type { Bench } from './use-bench';
import { Wall } from './wall';
import { WallBar } from './wall-bar';
import { WallFoot } from './wall-foot';

const PIXELS = { small: 84, medium: 120, large: 220 } as const;

type MiddleProps = {
  readonly bench: Bench;
  /** What is behind the cutouts. */
  readonly ground: Ground;
  readonly onGround: (ground: Ground) => void;
};

type ViewProps = Pick<MiddleProps, 'bench' | 'ground'> & {
  readonly guides: boolean;
  /** Of a cutout, CSS pixels. */
  readonly size: number;
  /** In place of a wall without photos. */
  readonly empty: ReactNode;
};

/** The photos themselves, in the view that is chosen. */
function View({ bench, ground, guides, size, empty }: ViewProps) {
  const { batch, view, total, shown, inOrder, seen, shownTemplate, slot, handStore, tiles, findings, chosen } = bench;
  const { show, tileFindings, tableEdits, review, remove, openAt, setChosen } = bench;
  const photosOf = (ids: readonly number[]) => {
    const wanted = new Set(ids);
    return allMembers(shown.filter(({ id }) => wanted.has(id)));
  };
  if (view === 'stage')
    return <Stage template={shownTemplate} slot={slot} store={handStore} photos={tiles} ground={ground} />;
  if (total === 0) return empty;
  if (view === 'average')
    return <Average template={seen} photos={chosen.length > 0 ? chosen : shown} findings={findings} ground={ground} />;
  if (view === 'table') return <DataTable template={seen} photos={inOrder} fields={batch.fields} edits={tableEdits} />;
  return (
    <Wall
      template={seen}
      photos={shown}
      findings={tileFindings}
      ground={ground}
      filter={show}
      guides={guides}
      onReview={(ids, state) => review(photosOf(ids), state)}
      size={size}
      onOpen={openAt}
      onRemove={(ids) => void remove(photosOf(ids))}
      onChoice={setChosen}
    />
  );
}

type FootProps = Pick<MiddleProps, 'bench'> & { readonly isDropping: boolean };

function Foot({ bench, isDropping }: FootProps) {
  const { batch, template, view, step, setStep, total, totals, shown, inOrder, chosen } = bench;
  const { edits, failure, openAt, review, remove } = bench;
  if (view === 'table') return <TableFoot photos={inOrder.length} fields={batch.fields.length} error={edits.error} />;
  return (
    <WallFoot
      isDropping={isDropping}
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
  );
}

/** The middle of the bench, between its bar and its foot; photos may be dropped on it. */
export function BenchMiddle({ bench, ground, onGround }: MiddleProps) {
  const { batch, mayWork, step, setStep, view, total, shown, history, store } = bench;
  const { show, setShow, sort, setSort, error, trying, setTrial } = bench;
  const [guides, setGuides] = useState(false);
  const [size, setSize] = useState<keyof typeof PIXELS>('medium');
  const { intake } = useIntake(batch.id);
  useStay(useTransfers(({ list }) => list.some((t) => t.batchId === batch.id && t.error === null)));
  const take = (files: readonly File[]) => takeDrop(files, intake, () => setStep('photos'));
  usePastedFiles(take, !mayWork);
  const { getRootProps, isDragActive } = useDropzone({
    onDrop: take,
    noClick: true,
    noKeyboard: true,
    disabled: !mayWork,
  });
  return (
    <div {...getRootProps({ className: 'wall-area', role: undefined, tabIndex: undefined })}>
      <WallBar
        step={step}
        view={view}
        ground={ground}
        onGround={onGround}
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
      {view !== 'stage' && <FilterNote show={show} shown={shown.length} total={total} onAll={() => setShow('all')} />}
      <View
        bench={bench}
        ground={ground}
        guides={guides}
        size={PIXELS[size]}
        empty={
          <div className="wall-scroll p-4 ground" data-over={isDragActive}>
            <FirstSteps onFiles={intake} onPick={step === 'photos' ? null : () => setStep('photos')} />
          </div>
        }
      />
      <Foot bench={bench} isDropping={isDragActive} />
    </div>
  );
}
