'use client';
import { useId, useMemo, useRef, useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { CATALOGUE, fitted, isCalled, type Box, type Shape } from '@/core/shape';
import { ChoiceField } from '../shared/choice-field';
import { FileInput } from '../shared/file-input';
import { freshShape, shapeFromSvg } from './catalogue';
import { LettersField } from './letters-field';
import { ShapePicture } from './shape-picture';
import { useShapes } from './use-shapes';

const UNIT = { cx: 50, cy: 50, width: 100, height: 100 };
const PICTURES = CATALOGUE.map((entry) => ({ entry, shape: freshShape(entry, UNIT) }));

type ShapePickerProps = {
  readonly title: string;
  /** The room that the new shape takes. */
  readonly room: Box;
  readonly onPick: (shape: Shape) => void;
  readonly onHide: () => void;
};

/** The catalogue as pictures, to search in, and SVG files to bring in. */
export function ShapePicker({ title, room, onPick, onHide }: ShapePickerProps) {
  const id = useId();
  const [wanted, setWanted] = useState('');
  const [as, setAs] = useState<'one' | 'parts'>('parts');
  const [error, setError] = useState<string | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const found = useMemo(() => PICTURES.filter(({ entry }) => isCalled(entry, wanted)), [wanted]);
  const own = (useShapes().data?.own ?? []).filter(({ name }) =>
    name.toLowerCase().includes(wanted.trim().toLowerCase()),
  );
  const bringIn = async (svg: File) => {
    try {
      onPick(shapeFromSvg(await svg.text(), room, as));
    } catch (e) {
      setError(`${svg.name}: ${(e as Error).message}`);
    }
  };
  return (
    <Modal show size="lg" onHide={onHide} aria-labelledby={`${id}-title`}>
      <Modal.Header closeButton>
        <Modal.Title as="h2" id={`${id}-title`}>
          {title}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <div className="d-flex gap-2 mb-3">
          <Form.Control
            type="search"
            aria-label="Search shapes"
            placeholder="Search, for example star"
            value={wanted}
            autoFocus
            onChange={(event) => setWanted(event.target.value)}
            onKeyDown={(event) => {
              const [first] =
                own.length > 0 ? [fitted(own[0]!.shape, room)] : found.map(({ entry }) => freshShape(entry, room));
              if (event.key !== 'Enter' || !wanted.trim() || !first) return;
              // Else the key would also press what has the focus once the dialog has gone.
              event.preventDefault();
              onPick(first);
            }}
          />
          <Button variant="plain" className="text-nowrap" onClick={() => file.current?.click()}>
            Bring in an SVG…
          </Button>
          <FileInput
            ref={file}
            label="SVG to bring in"
            accept=".svg,image/svg+xml"
            onFile={(svg) => void bringIn(svg)}
          />
        </div>
        <div className="d-flex justify-content-end align-items-center gap-2 mb-3">
          <span className="muted small-text">Several outlines in an SVG become</span>
          <ChoiceField
            label="Several outlines in an SVG become"
            bare
            value={as}
            options={{ parts: 'a part each', one: 'one shape' }}
            onChange={setAs}
          />
        </div>
        <div className="mb-3">
          <LettersField text="" font="alfa-slab-one" room={room} action="Set letters" onMade={onPick} />
        </div>
        {error && (
          <p className="text-danger small-text" role="alert">
            ✕ {error}
          </p>
        )}
        {own.length > 0 && <h3>Own shapes</h3>}
        <div className="shape-grid mb-3" hidden={own.length === 0}>
          {own.map(({ id: shapeId, name, shape }) => (
            <button key={shapeId} type="button" className="shape-tile" onClick={() => onPick(fitted(shape, room))}>
              <ShapePicture shape={shape} size={64} />
              <span className="name-line mw-100" title={name}>
                {name}
              </span>
            </button>
          ))}
        </div>
        {own.length > 0 && found.length > 0 && <h3>Catalogue</h3>}
        <div className="shape-grid">
          {found.map(({ entry, shape }) => (
            <button key={entry.id} type="button" className="shape-tile" onClick={() => onPick(freshShape(entry, room))}>
              <ShapePicture shape={shape} size={64} />
              {entry.label}
            </button>
          ))}
        </div>
        {found.length + own.length === 0 && <p className="muted mb-0">No shape is called so.</p>}
      </Modal.Body>
    </Modal>
  );
}
