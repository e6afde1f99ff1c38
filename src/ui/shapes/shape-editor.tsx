'use client';
import { useQueryClient } from '@tanstack/react-query';
import Link from 'next/link';
import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { Button, Form } from 'react-bootstrap';
import { CATALOGUE, forLibrary, LIBRARY_FRAME, shapeKey, type Shape } from '@/core/shape';
import { parseTemplate } from '@/core/template';
import type { OwnShape } from '@/server/services';
import { anew } from '../shared/anew';
import { SidePanel } from '../shared/side-panel';
import { api } from '../shared/api';
import { resetStage, setStage } from '../stage/stage-state';
import { Stage } from '../stage/stage';
import { ShapeSection } from '../template/shape-section';
import { UndoButtons } from '../history/undo-buttons';
import { useKeys } from '../keys/use-keys';
import { createTemplateStore } from '../template/store';
import { freshShape } from './catalogue';
import { useShapes } from './use-shapes';

const ROOM = { cx: 600, cy: 600, width: 1000, height: 1000 };

/** A template that is nothing but a frame for the shape. */
const around = (shape: Shape) => ({
  ...parseTemplate({ wobrel: 1, name: 'shape', frame: LIBRARY_FRAME, borders: [], shadows: [] }),
  shape,
});

function Editor({ own, shape, nameFirst }: { own: OwnShape | null; shape: Shape; nameFirst: string }) {
  const router = useRouter();
  const client = useQueryClient();
  const [store] = useState(() => createTemplateStore(around(shape)));
  const template = useStore(store.state, (state) => state.template);
  const { history } = store;
  useKeys('page', { undo: history.undo, redo: history.redo });
  const [name, setName] = useState(nameFirst);
  const [error, setError] = useState<string | null>(null);
  useEffect(() => {
    resetStage();
    setStage({ view: 'stage', reference: { kind: 'none' } });
    return resetStage;
  }, []);
  const changed = shapeKey(template.shape) !== shapeKey(shape);
  const asCopy = own === null || (own.usedBy.length > 0 && changed);
  const save = async () => {
    const body = { name: name.trim(), shape: forLibrary(template.shape) };
    try {
      if (asCopy) await api('/api/shapes', 'POST', body);
      else await api(`/api/shapes/${own.id}`, 'PUT', body);
      await anew(client, ['shapes']);
      router.push('/shapes');
    } catch (e) {
      setError((e as Error).message);
    }
  };
  return (
    <main className="bench bench-plain">
      <SidePanel label="Shape">
        <div className="side-block">
          <Form.Group controlId="shape-name">
            <Form.Label className="muted mb-1">Name</Form.Label>
            <Form.Control value={name} maxLength={120} onChange={(event) => setName(event.target.value)} />
          </Form.Group>
          {own && own.usedBy.length > 0 && (
            <p className="small-text muted mb-0 mt-1">
              Templates use {own.name}: a changed outline is kept as a copy under another name.
            </p>
          )}
          {error && (
            <p className="small-text text-danger mb-0 mt-1" role="alert">
              ✕ {error}
            </p>
          )}
          <div className="d-flex gap-2 mt-2">
            <Button disabled={name.trim() === ''} onClick={() => void save()}>
              {asCopy && own ? 'Save as a copy' : 'Save'}
            </Button>
            <Link className="btn btn-plain" href="/shapes">
              Cancel
            </Link>
          </div>
        </div>
        <ShapeSection template={template} store={store} shapeOnly />
      </SidePanel>
      <div className="wall-area">
        <div className="wall-bar">
          <span className="muted">Proportions and corners count; size and place are the template’s.</span>
          <UndoButtons history={history} />
        </div>
        <Stage slot={null} template={template} store={store} photos={[]} ground="#c9c9c9" />
      </div>
    </main>
  );
}

/** An own shape on the stage, or a new one. */
export function ShapeEditor({ id }: { id: number | null }) {
  const { data, error } = useShapes();
  const asked = useSearchParams().get('from') ?? 'circle';
  if (error) return <main className="page text-danger">{error.message}</main>;
  if (!data) return <main className="page muted">Opening…</main>;
  const own = data.own.find((shape) => shape.id === id) ?? null;
  if (id !== null && !own)
    return (
      <main className="page">
        <div className="empty">There is no such shape in the library.</div>
      </main>
    );
  const entry = CATALOGUE.find((one) => one.id === asked) ?? CATALOGUE[0]!;
  const shape = own?.shape ?? freshShape(entry, ROOM);
  const suggestion = own ? (own.usedBy.length > 0 ? `${own.name}, copy` : own.name) : `My ${entry.label.toLowerCase()}`;
  return <Editor own={own} shape={shape} nameFirst={suggestion} />;
}
