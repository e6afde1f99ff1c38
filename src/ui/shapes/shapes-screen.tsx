'use client';
import { useQueryClient } from '@tanstack/react-query';
import Link from 'next/link';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { boundsOfOutline, CATALOGUE, isCalled, outlineOf, type Shape } from '@/core/shape';
import { writeSvg } from '@/core/svg';
import type { OwnShape, UsedBy } from '@/server/services';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { ask } from '../shared/ask';
import { saveFile } from '../shared/save-file';
import { freshShape } from './catalogue';
import { ShapeFacts } from './shape-facts';
import { ShapePicture } from './shape-picture';
import { useShapes } from './use-shapes';
import { MayButton } from '../people/may-button';

const ROOM = { cx: 500, cy: 500, width: 1000, height: 1000 };
const PICTURES = CATALOGUE.map((entry) => ({ entry, shape: freshShape(entry, ROOM) }));

function usedWords(usedBy: readonly UsedBy[]): string {
  if (usedBy.length === 0) return 'not used by a template';
  const names = usedBy.slice(0, 2).map(({ name }) => name);
  const more = usedBy.length - names.length;
  return `used by ${names.join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
}

function takeOut(name: string, shape: Shape): void {
  const [left, top, right, bottom] = boundsOfOutline(outlineOf(shape));
  const box = { ...shape.box, cx: shape.box.cx - left, cy: shape.box.cy - top };
  const frame = { width: right - left, height: bottom - top, unit: 'px', ppi: 96 } as const;
  saveFile(`${name}.svg`, writeSvg(outlineOf({ ...shape, box }), frame), 'image/svg+xml');
}

function OwnCard({ own }: { own: OwnShape }) {
  const client = useQueryClient();
  const { id, name, shape, usedBy } = own;
  const remove = async () => {
    const words = usedBy.length > 0 ? ' Templates that use it keep their own copy.' : '';
    const question = {
      title: `Take “${name}” out?`,
      words: `It goes from the library.${words}`,
      action: 'Take it out',
    };
    if (!(await ask(question))) return;
    await api(`/api/shapes/${id}`, 'DELETE');
    await anew(client, ['shapes']);
  };
  return (
    <article className="panel shape-card" aria-label={name}>
      <ShapePicture shape={shape} size={92} />
      <div className="about">
        <h3 className="name-line mb-0" title={name}>
          {name}
        </h3>
        <span className="muted small-text">{usedWords(usedBy)}</span>
        <ShapeFacts shape={shape} />
        <div className="d-flex flex-wrap">
          <Link className="btn btn-quiet" href={`/shapes/${id}`}>
            {usedBy.length > 0 ? 'Edit as a copy' : 'Edit'}
            <span className="visually-hidden"> {name}</span>
          </Link>
          <Button variant="quiet" onClick={() => takeOut(name, shape)}>
            SVG<span className="visually-hidden"> of {name}</span>
          </Button>
          <MayButton least="maker" variant="quiet" onClick={() => void remove()}>
            Take out<span className="visually-hidden"> {name}</span>
          </MayButton>
        </div>
      </div>
    </article>
  );
}

/** The library: own shapes and the catalogue as pictures, with what they measure and what uses them. */
export function ShapesScreen() {
  const { data, error } = useShapes();
  const [wanted, setWanted] = useState('');
  const matches = (name: string) => name.toLowerCase().includes(wanted.trim().toLowerCase());
  const own = (data?.own ?? []).filter(({ name }) => matches(name));
  const catalogue = PICTURES.filter(({ entry }) => isCalled(entry, wanted));
  return (
    <main className="page">
      <div className="d-flex flex-wrap align-items-center gap-3 mb-3">
        <h1 className="mb-0">Shapes</h1>
        <Form.Control
          type="search"
          className="ms-auto"
          style={{ maxWidth: '18rem' }}
          aria-label="Search shapes"
          placeholder="Search"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
        />
        <Link className="btn btn-primary" href="/shapes/new">
          New shape
        </Link>
      </div>
      {error && <p className="text-danger">{error.message}</p>}
      <h2>Own shapes</h2>
      {data && own.length === 0 && (
        <div className="empty mb-3">
          {wanted
            ? 'No own shape is called so.'
            : 'None yet. Draw one, bring in an SVG, or keep one from a template with “Keep in the library”.'}
        </div>
      )}
      <div className="shape-cards mb-4">
        {own.map((shape) => (
          <OwnCard key={shape.id} own={shape} />
        ))}
      </div>
      <h2>Catalogue</h2>
      <div className="shape-cards">
        {catalogue.map(({ entry: { id, label, kind }, shape }) => (
          <article key={id} className="panel shape-card" aria-label={label}>
            <ShapePicture shape={shape} size={92} />
            <div className="about">
              <h3 className="mb-0">{label}</h3>
              {id === kind && (
                <span className="muted small-text">{data ? usedWords(data.usedKinds[kind] ?? []) : '\u00a0'}</span>
              )}
              <ShapeFacts shape={shape} />
              <Link className="btn btn-quiet" href={`/shapes/new?from=${id}`}>
                Start from it<span className="visually-hidden">: {label}</span>
              </Link>
            </div>
          </article>
        ))}
      </div>
      {catalogue.length === 0 && <p className="muted">No catalogue shape is called so.</p>}
    </main>
  );
}
