'use client';
import { useQuery } from '@tanstack/react-query';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Form, Modal, ProgressBar } from 'react-bootstrap';
import { ratioOf } from '@/core/template';
import type { BatchCard } from '@/server/services';
import { useActions } from '../keys/use-keys';
import { api } from '../shared/api';
import { CutoutCanvas } from '../shared/cutout-canvas';
import { WhatIs } from '../shared/what-is';
import { amount, day, plural, when } from '../shared/words';
import { useTemplates } from '../template/use-templates';
import { FindingMark } from '../shared/finding-mark';
import { MayButton } from '../people/may-button';

const STRIP_WIDTH = 68;

const isUnderWay = ({ delivery }: BatchCard) => delivery?.state === 'waiting' || delivery?.state === 'running';

function deliveryWords(delivery: BatchCard['delivery']): string {
  if (!delivery) return 'not exported yet';
  const files = plural(delivery.fileCount, 'file');
  if (delivery.state === 'done') return `${files} exported`;
  return delivery.state === 'running' || delivery.state === 'waiting'
    ? `export of ${files} under way`
    : `export ${delivery.state === 'failed' ? 'stopped' : 'cancelled'}`;
}

function Card({ batch }: { batch: BatchCard }) {
  const ratio = ratioOf(batch.template);
  return (
    <Link href={`/batches/${batch.id}`} className="panel batch-card">
      <div className="strip ground">
        {batch.strip.map((photo) => (
          <CutoutCanvas
            key={photo.id}
            template={batch.template}
            photo={{ ...photo, words: { photo: photo.name, batch: batch.name, index: 1 } }}
            cssWidth={Math.min(STRIP_WIDTH, STRIP_WIDTH / ratio)}
            label=""
          />
        ))}
        {batch.strip.length === 0 && <span className="small-text">no photos yet</span>}
      </div>
      <div className="facts">
        <div className="d-flex justify-content-between gap-2">
          <strong className="name-line" title={batch.name}>
            {batch.name}
          </strong>
          <span className="muted small-text text-nowrap">{when(batch.createdAt)}</span>
        </div>
        <div className="muted small-text">
          {plural(batch.photoCount, 'photo')}
          {batch.outCount > 0 && `, ${amount(batch.outCount)} left out`}
          {batch.refusalCount > 0 && `, ${amount(batch.refusalCount)} not taken`} · {deliveryWords(batch.delivery)}
        </div>
        {isUnderWay(batch) && (
          <ProgressBar
            className="my-1"
            now={batch.delivery!.filesDone}
            max={batch.delivery!.fileCount}
            aria-label={`Files of ${batch.name} that are done`}
          />
        )}
        <div className="d-flex justify-content-between gap-2 small-text">
          <span className="muted name-line">{batch.template.name}</span>
          {batch.findingCount === null && batch.photoCount > 0 && <span className="muted">being checked…</span>}
          {batch.findingCount !== null && batch.findingCount > 0 && (
            <span className="text-nowrap">
              <FindingMark />
              {amount(batch.findingCount)} to look at
            </span>
          )}
        </div>
      </div>
    </Link>
  );
}

function NewBatch({ onHide }: { onHide: () => void }) {
  const router = useRouter();
  const [name, setName] = useState(() => `Batch of ${day(Date.now())}`);
  const [templateId, setTemplateId] = useState('');
  const [error, setError] = useState<string | null>(null);
  const { data } = useTemplates();
  const create = async () => {
    try {
      const body = { name, templateId: templateId ? Number(templateId) : null };
      const { id } = await api<{ id: number }>('/api/batches', 'POST', body);
      router.push(`/batches/${id}?step=photos`);
    } catch (e) {
      setError((e as Error).message);
    }
  };
  return (
    <Modal show onHide={onHide} aria-labelledby="new-title">
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          void create();
        }}
      >
        <Modal.Header closeButton>
          <Modal.Title as="h2" id="new-title">
            New batch
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
          <Form.Group controlId="batch-name" className="mb-3">
            <Form.Label>Name</Form.Label>
            <Form.Control
              value={name}
              autoFocus
              maxLength={120}
              // A name of one's own is typed over the suggestion.
              onFocus={(event) => event.target.select()}
              onChange={(event) => setName(event.target.value)}
            />
          </Form.Group>
          <Form.Group controlId="batch-template">
            <Form.Label>Template</Form.Label>
            <Form.Select value={templateId} onChange={(event) => setTemplateId(event.target.value)}>
              <option value="">Plain circle</option>
              {data?.templates.map((t) => (
                <option key={t.id} value={t.id}>
                  {t.name}, version {t.version}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
          {error && <p className="text-danger mt-2 mb-0">{error}</p>}
        </Modal.Body>
        <Modal.Footer>
          <Button variant="plain" onClick={onHide}>
            Cancel
          </Button>
          <Button type="submit" disabled={name.trim() === ''}>
            Make the batch
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}

/** All batches as cards. */
export function BatchesScreen() {
  const [adding, setAdding] = useState(false);
  useActions('page', { newBatch: () => setAdding(true) });
  const { data, error } = useQuery({
    queryKey: ['batches'],
    queryFn: () => api<{ batches: BatchCard[] }>('/api/batches'),
    refetchInterval: ({ state }) =>
      state.data?.batches.some((batch) => isUnderWay(batch) || batch.findingCount === null) ? 1500 : false,
  });
  return (
    <main className="page">
      <div className="d-flex justify-content-between align-items-center mb-3">
        <h1 className="mb-0">
          Batches <WhatIs word="batch" />
        </h1>
        <div className="d-flex gap-3 align-items-center">
          <Link href="/storage">Storage</Link>
          <MayButton least="artist" onClick={() => setAdding(true)}>
            New batch…
          </MayButton>
        </div>
      </div>
      {error && <p className="text-danger">{error.message}</p>}
      {data?.batches.length === 0 && (
        <div className="empty">
          <p className="mb-2">A batch is a set of photos and the template they all go through.</p>
          <MayButton least="artist" onClick={() => setAdding(true)}>
            Make the first batch
          </MayButton>
        </div>
      )}
      <div className="batch-grid">
        {data?.batches.map((batch) => (
          <Card key={batch.id} batch={batch} />
        ))}
      </div>
      {adding && <NewBatch onHide={() => setAdding(false)} />}
    </main>
  );
}
