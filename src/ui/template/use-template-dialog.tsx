'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button, Modal } from 'react-bootstrap';
import type { SavedTemplate } from '@/server/services';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { ask } from '../shared/ask';
import { NameDialog } from '../shared/name-dialog';
import { when } from '../shared/words';
import { ShapePicture } from '../shapes/shape-picture';
import { useTemplates } from './use-templates';
import { bordersWords, frameWords, shadowsWords, shapeName } from './words';

/** What a template makes, in a line. */
function about({ template }: SavedTemplate): string {
  return [
    shapeName(template.shape),
    frameWords(template),
    ...(template.borders.length > 0 ? [`border ${bordersWords(template)}`] : []),
    ...(template.shadows.length > 0 ? [`shadow ${shadowsWords(template)}`] : []),
  ].join(' · ');
}

type RowProps = { readonly saved: SavedTemplate; readonly onUse: () => void; readonly onRename: () => void };

function Row({ saved, onUse, onRename }: RowProps) {
  const client = useQueryClient();
  const { id, name, version, savedAt, template } = saved;
  const [error, setError] = useState<string | null>(null);
  const remove = async () => {
    const question = {
      title: `Delete “${name}”?`,
      words: `All ${version} of its versions go. Batches that use it keep their own copy.`,
      action: 'Delete it',
    };
    if (!(await ask(question))) return;
    await api(`/api/templates/${id}`, 'DELETE').catch((e: Error) => setError(e.message));
    await anew(client, ['templates']);
  };
  return (
    <li className="saved-template">
      <ShapePicture shape={template.shape} size={48} />
      <span className="about">
        <strong className="name-line d-block" title={name}>
          {name}
        </strong>
        <span className="muted small-text d-block">{about(saved)}</span>
        <span className="muted small-text">
          version {version}, {when(savedAt)}
        </span>
        {error && <span className="text-danger small-text d-block">✕ {error}</span>}
      </span>
      <Button variant="quiet" onClick={onRename}>
        Rename…<span className="visually-hidden"> {name}</span>
      </Button>
      <Button variant="quiet" onClick={() => void remove()}>
        Delete…<span className="visually-hidden"> {name}</span>
      </Button>
      <Button variant="plain" onClick={onUse}>
        Use<span className="visually-hidden"> {name}</span>
      </Button>
    </li>
  );
}

/** Every saved template: seen, used, renamed, deleted. */
export function UseTemplateDialog({ onUse, onHide }: { onUse: (id: number) => void; onHide: () => void }) {
  const { data } = useTemplates();
  const client = useQueryClient();
  const [renaming, setRenaming] = useState<SavedTemplate | null>(null);
  if (renaming)
    return (
      <NameDialog
        title="Rename the template"
        suggestion={renaming.name}
        help={() => 'Batches that use it keep what they have.'}
        onSave={async (name) => {
          await api(`/api/templates/${renaming.id}`, 'PATCH', { name });
          await anew(client, ['templates']);
          setRenaming(null);
        }}
        onHide={() => setRenaming(null)}
      />
    );
  return (
    <Modal show size="lg" scrollable onHide={onHide} aria-labelledby="use-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="use-title">
          Saved templates
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        {data?.templates.length === 0 && <p className="mb-0">No template has been saved yet.</p>}
        <ul className="list-plain">
          {data?.templates.map((saved) => (
            <Row key={saved.id} saved={saved} onUse={() => onUse(saved.id)} onRename={() => setRenaming(saved)} />
          ))}
        </ul>
      </Modal.Body>
    </Modal>
  );
}
