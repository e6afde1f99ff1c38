'use client';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'react-bootstrap';
import type { Output, Template } from '@/core/template';
import type { DeliveryProgress } from '@/server/services';
import { DeliveryCard } from '../deliveries/delivery-card';
import { api } from '../shared/api';
import { Section } from '../shared/section';
import { plural } from '../shared/words';
import type { TemplateStore } from '../template/store';
import { OutputEditor } from './output-editor';

type ExportPanelProps = {
  readonly batchId: number;
  readonly template: Template;
  readonly store: TemplateStore;
  readonly photoCount: number;
  /** Brings the server up to date. */
  readonly flush: () => Promise<unknown>;
};

const words = ({ width, format, trim }: Output) =>
  `${width} px ${format === 'webp' ? 'WebP' : format.toUpperCase()}${trim ? ', trimmed' : ''}`;

/** A name that no other output has. */
function freeName(outputs: readonly Output[], name: string): string {
  for (let n = 1; ; n++) {
    const candidate = n === 1 ? name : `${name}-${n}`;
    if (outputs.every((output) => output.name !== candidate)) return candidate;
  }
}

/** The outputs of the template, the export itself, and the deliveries of this batch. */
export function ExportPanel({ batchId, template, store, photoCount, flush }: ExportPanelProps) {
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: ['deliveries', 'batch', batchId],
    queryFn: () => api<{ deliveries: DeliveryProgress[] }>(`/api/batches/${batchId}/deliveries`),
  });
  const start = useMutation({
    mutationFn: async () => {
      await flush();
      await api(`/api/batches/${batchId}/deliveries`, 'POST');
    },
    onSettled: () => client.invalidateQueries({ queryKey: ['deliveries'] }),
  });
  const { outputs } = template;
  const change = (change: (outputs: readonly Output[]) => readonly Output[]) =>
    store.change((t) => ({ ...t, outputs: change(t.outputs) }));
  const add = () =>
    change((list) => {
      const last = list[list.length - 1]!;
      return [...list, { ...last, name: freeName(list, last.name), width: Math.max(1, Math.round(last.width / 2)) }];
    });
  return (
    <>
      {outputs.map((output, i) => (
        <Section key={i} title={output.name} value={words(output)} startOpen={outputs.length === 1}>
          <OutputEditor
            template={template}
            output={output}
            onChange={(fields) => change((list) => list.map((o, k) => (k === i ? { ...o, ...fields } : o)))}
            onRemove={outputs.length > 1 ? () => change((list) => list.filter((_, k) => k !== i)) : null}
          />
        </Section>
      ))}
      <div className="side-block">
        <Button variant="quiet" className="mb-2" onClick={add}>
          Add an output
        </Button>
        <Button className="w-100 py-2" disabled={photoCount === 0 || start.isPending} onClick={() => start.mutate()}>
          Export {plural(photoCount * outputs.length, 'file')}
        </Button>
        {start.error && <p className="text-danger small-text mt-2 mb-0">{start.error.message}</p>}
        <p className="muted small-text mt-2 mb-0">
          File names may use {'{photo} {output} {batch} {template} {index} {width} {height}'}.
        </p>
      </div>
      {data && data.deliveries.length > 0 && (
        <ul className="list-plain">
          {data.deliveries.map((delivery) => (
            <li key={delivery.id} className="side-block">
              <DeliveryCard delivery={delivery} />
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
