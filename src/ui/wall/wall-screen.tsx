'use client';
import { useQueryClient } from '@tanstack/react-query';
import { Suspense, useCallback, useMemo, useRef, useState } from 'react';
import type { BatchDetail } from '@/server/services';
import { Easel } from '../easel/easel';
import { SidePanel } from '../shared/side-panel';
import { FieldsContext } from '../shared/pattern-field';
import { LocksContext } from '../template/locks';
import { BenchMiddle } from './bench-middle';
import { SIDES } from './bench-side';
import { groundPhoto, useGround } from './ground-picker';
import { StepsBar, STEP_TITLES } from './steps-bar';
import { useBatch } from './use-batch';
import { useBench } from './use-bench';
import { useBenchKeys } from './use-bench-keys';

function BatchBench({ batch, onReplaced }: { batch: BatchDetail; onReplaced: () => Promise<void> }) {
  const bench = useBench(batch);
  const {
    locks,
    shownTemplate,
    photos,
    step,
    setStep,
    subtitles,
    save,
    others,
    join,
    goBack,
    edits,
    history,
    setBare,
  } = bench;
  const { opened, looking, setLooking, findings } = bench;
  const screen = useRef<HTMLElement>(null);
  useBenchKeys(screen, history, setStep, () => setBare((was) => !was), batch.id);
  const [ground, setGround] = useGround();
  const grounded = useMemo(() => groundPhoto(photos), [photos]);
  const Side = SIDES[step];
  return (
    <LocksContext value={locks}>
      <FieldsContext value={batch.fields}>
        <main className="bench" ref={screen} style={grounded}>
          <StepsBar
            name={batch.name}
            save={save.kind === 'saved' && edits.isSaving ? { kind: 'saving' } : save}
            others={others}
            onJoin={() => void join()}
            onGoBack={goBack}
            step={step}
            onStep={setStep}
            subtitles={subtitles}
          />
          <SidePanel key={step} label={STEP_TITLES[step]}>
            <Side bench={bench} onReplaced={onReplaced} />
          </SidePanel>
          <BenchMiddle bench={bench} ground={ground} onGround={setGround} />
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
