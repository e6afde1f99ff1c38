'use client';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { countBatch } from '@/core/checks';
import { fileNames } from '@/core/export';
import type { PhotoWords } from '@/core/fields';
import type { Output, Template } from '@/core/template';
import type { DeliveryProgress, PhotoRow, Trial } from '@/server/services';
import { DeliveryCard } from '../deliveries/delivery-card';
import { useActions, useKeys } from '../keys/use-keys';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { Section } from '../shared/section';
import { WhatIs } from '../shared/what-is';
import { amount, plural } from '../shared/words';
import type { TemplateStore } from '../template/store';
import { ChangesNote } from './changes-note';
import { MetadataSection } from './metadata-section';
import { NamesLink } from './names-dialog';
import { OutputEditor } from './output-editor';
import { lacksDenser, nextOutput, outputWords, withDenser } from './outputs';
import { MayButton } from '../people/may-button';

type ExportPanelProps = {
  readonly batchId: number;
  readonly template: Template;
  readonly store: TemplateStore;
  /** Files that all photos together make; null while photos are still being read. */
  readonly files: number | null;
  /** Photos that the wall is narrowed to; null where it shows all. */
  readonly narrowed: readonly PhotoRow[] | null;
  /** What is doubtful, told before the export. */
  readonly doubtful: ReactNode;
  /** What is exported, as texts speak of it. */
  readonly cutouts: readonly PhotoWords[];
  /** Brings the server up to date. */
  readonly flush: () => Promise<unknown>;
};

type OutputsProps = Pick<ExportPanelProps, 'batchId' | 'template' | 'store' | 'cutouts' | 'flush'>;

/** The outputs of the template, one of them open at a time. */
function Outputs({ batchId, template, store, cutouts, flush }: OutputsProps) {
  const { outputs } = template;
  const [open, setOpen] = useState<number | null>(outputs.length === 1 ? 0 : null);
  const change = (change: (outputs: readonly Output[]) => readonly Output[]) =>
    store.change((t) => ({ ...t, outputs: change(t.outputs) }));
  const add = () => {
    change((list) => [...list, nextOutput(template)]);
    setOpen(outputs.length);
  };
  useActions('page', { addOutput: add });
  const firsts = fileNames(template, cutouts.slice(0, 1));
  return (
    <>
      {outputs.map((output, i) => (
        <Section
          key={i}
          title={output.name}
          group="outputs"
          value={outputWords(output)}
          only={{ open: open === i, onToggle: (opens) => setOpen(opens ? i : null) }}
        >
          <OutputEditor
            template={template}
            output={output}
            onDrag={store.drag}
            onTry={async () => {
              await flush();
              return api<Trial>(`/api/batches/${batchId}/trial?output=${i}`);
            }}
            lossAddress={`/api/batches/${batchId}/trial/loss?output=${i}`}
            example={firsts[i]?.file ?? null}
            onChange={(fields) => change((list) => list.map((o, k) => (k === i ? { ...o, ...fields } : o)))}
            onDenser={
              lacksDenser(outputs, output)
                ? () => store.change((t) => ({ ...t, outputs: withDenser(t, t.outputs[i]!) }))
                : null
            }
            onRemove={
              outputs.length > 1
                ? () => {
                    setOpen(null);
                    change((list) => list.filter((_, k) => k !== i));
                  }
                : null
            }
          />
        </Section>
      ))}
      <div className="side-block">
        <Button variant="quiet" onClick={add}>
          Add an output
        </Button>{' '}
        <WhatIs word="output" />
        <div>
          <NamesLink names={() => fileNames(template, cutouts)} />
        </div>
      </div>
      <MetadataSection template={template} store={store} />
    </>
  );
}

/** The outputs, the export itself, and the deliveries of this batch. */
export function ExportPanel({ batchId, template, store, cutouts, files, narrowed, doubtful, flush }: ExportPanelProps) {
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: ['deliveries', 'batch', batchId],
    queryFn: () => api<{ deliveries: DeliveryProgress[] }>(`/api/batches/${batchId}/deliveries`),
  });
  const start = useMutation({
    mutationFn: async (only: readonly number[] | null) => {
      await flush();
      await api(`/api/batches/${batchId}/deliveries`, 'POST', { only });
    },
    onSettled: () => anew(client, ['deliveries']),
  });
  // A button that is switched off loses the focus: while an export begins, pressing it again does nothing.
  const begin = (only: readonly number[] | null) => !start.isPending && start.mutate(only);
  const choices = useRef<HTMLDivElement>(null);
  useKeys('page', {
    // Which photos are meant is for the person to say.
    exportAll: () => (narrowed ? choices.current?.querySelector('button')?.focus() : files !== 0 && begin(null)),
  });
  const these = narrowed && countBatch(narrowed, template.outputs, () => false);
  const about = useMemo(() => ({ template, cutouts, deliveries: data }), [template, cutouts, data]);
  const all = files === null ? 'all files' : plural(files, 'file');
  return (
    <>
      <Outputs batchId={batchId} template={template} store={store} cutouts={cutouts} flush={flush} />
      <div className="side-block side-end d-grid gap-2">
        {doubtful}
        {data && data.deliveries.some(({ state }) => state === 'done') && (
          <ChangesNote batchId={batchId} about={about} flush={flush} />
        )}
        <div ref={choices} className="d-grid gap-2">
          {these && (
            <MayButton
              least="artist"
              className="py-2"
              disabled={these.files === 0}
              onClick={() => begin(narrowed.map(({ id }) => id))}
            >
              Export only these {amount(these.exported)}: {plural(these.files, 'file')}
            </MayButton>
          )}
          <MayButton
            least="artist"
            className="py-2"
            variant={these ? 'plain' : 'primary'}
            disabled={files === 0}
            onClick={() => begin(null)}
          >
            {these ? `Export the whole batch: ${all}` : `Export ${all}`}
          </MayButton>
        </div>
        {start.error && <p className="text-danger small-text mb-0">{start.error.message}</p>}
      </div>
      {data && data.deliveries.length > 0 && (
        <ul className="list-plain" aria-label="Deliveries of this batch">
          {data.deliveries.map((delivery) => (
            <li key={delivery.id} className="side-block">
              <DeliveryCard delivery={delivery} withLink />
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
