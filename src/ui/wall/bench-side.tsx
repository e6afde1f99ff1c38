'use client';
import type { ReactNode } from 'react';
import { templateOutline } from '@/core/template';
import { areChecked } from '../checks/photo-findings';
import { DataBlock } from '../data/data-block';
import { Doubtful } from '../export/doubtful';
import { ExportPanel } from '../export/export-panel';
import { countedTiles } from '../photos/in-slots';
import { PhotosPanel } from '../photos/photos-panel';
import { SavedTemplates } from '../template/saved-templates';
import { TemplatePanel } from '../template/template-panel';
import { CentreSide } from './centre-side';
import { CheckSide } from './check-side';
import type { Step } from './steps-bar';
import type { Bench } from './use-bench';

type SideProps = {
  readonly bench: Bench;
  /** To be called once the batch's template is another than the one being edited. */
  readonly onReplaced: () => Promise<void>;
};

function PhotosSide({ bench: { batch, template, photos, total, tableEdits } }: SideProps) {
  return (
    <>
      <PhotosPanel batch={batch} photos={photos} />
      {total > 0 && <DataBlock batch={batch} template={template} photos={photos} edits={tableEdits} />}
    </>
  );
}

function TemplateSide({ bench, onReplaced }: SideProps) {
  const { batch, template, compared, counted, edited, bare, setBare, toLookAt, flush, hand, handStore, store, slot } =
    bench;
  // Finishes are shown on a photo that nothing is wrong with.
  const example = counted.find(({ id }) => !toLookAt.byPhoto.has(id)) ?? counted[0];
  return (
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
  );
}

function CentringSide({ bench }: SideProps) {
  const { shownTemplate, template, slot, hand, handStore, inHand, findings, alike, isWhole, trying, setTrial } = bench;
  return (
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
  );
}

function ChecksSide({ bench }: SideProps) {
  const { batch, template, store, photos, counted, total, findings, toLookAt, alike, show, setShow, mendAll } = bench;
  return (
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
  );
}

function ExportSide({ bench }: SideProps) {
  const { batch, template, store, words, isWhole, totals, show, setShow, shown, shownTemplate, photos, findings } =
    bench;
  const { review, flush, edits, tableEdits } = bench;
  return (
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
  );
}

/** What each step has beside the photos. */
export const SIDES: Readonly<Record<Step, (props: SideProps) => ReactNode>> = {
  photos: PhotosSide,
  template: TemplateSide,
  centre: CentringSide,
  check: ChecksSide,
  export: ExportSide,
};
