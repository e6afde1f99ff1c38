'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button, Modal } from 'react-bootstrap';
import type { BatchDetail, SavedTemplate } from '@/server/services';
import { api } from '../shared/api';
import { NameDialog } from '../shared/name-dialog';
import { when } from '../shared/words';

type SavedTemplatesProps = {
  readonly batch: BatchDetail;
  /** The name the template goes by now. */
  readonly name: string;
  readonly edited: boolean;
  /** Brings the server's copy up to date before something is done with it. */
  readonly flush: () => Promise<number>;
  /** Called when the server holds another template for this batch. */
  readonly onReplaced: () => void;
};

export const useTemplates = () =>
  useQuery({ queryKey: ['templates'], queryFn: () => api<{ templates: SavedTemplate[] }>('/api/templates') });

function SaveDialog({
  suggestion,
  onSave,
  onHide,
}: {
  suggestion: string;
  onSave: (name: string) => Promise<void>;
  onHide: () => void;
}) {
  const { data } = useTemplates();
  const help = (name: string) => {
    const known = data?.templates.find((t) => t.name === name);
    return known
      ? `Becomes version ${known.version + 1} of ${known.name}; earlier versions stay.`
      : 'A new template that every batch can use.';
  };
  return <NameDialog title="Save the template" suggestion={suggestion} help={help} onSave={onSave} onHide={onHide} />;
}

function UseDialog({ onUse, onHide }: { onUse: (id: number) => Promise<void>; onHide: () => void }) {
  const { data } = useTemplates();
  return (
    <Modal show onHide={onHide} aria-labelledby="use-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="use-title">
          Use a saved template
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        {data?.templates.length === 0 && <p className="mb-0">No template has been saved yet.</p>}
        <ul className="list-plain">
          {data?.templates.map((t) => (
            <li key={t.id} className="d-flex align-items-center justify-content-between gap-3">
              <span>
                <strong>{t.name}</strong>
                <br />
                <span className="muted small-text">
                  version {t.version}, {when(t.savedAt)}
                </span>
              </span>
              <Button variant="plain" onClick={() => void onUse(t.id)}>
                Use<span className="visually-hidden"> {t.name}</span>
              </Button>
            </li>
          ))}
        </ul>
      </Modal.Body>
    </Modal>
  );
}

/** Saving the template under a name, and taking a saved one. */
export function SavedTemplates({ batch, name, edited, flush, onReplaced }: SavedTemplatesProps) {
  const [dialog, setDialog] = useState<'save' | 'use' | null>(null);
  const client = useQueryClient();
  const [error, setError] = useState<string | null>(null);
  const replace = async (work: (revision: number) => Promise<unknown>) => {
    await work(await flush());
    setDialog(null);
    await client.invalidateQueries({ queryKey: ['templates'] });
    onReplaced();
  };
  const { saved } = batch;
  return (
    <div className="side-block">
      <div className="name-line" title={name}>
        <strong>{name}</strong>
      </div>
      <div className="muted small-text mb-1">
        {saved
          ? edited
            ? `changed since version ${saved.version}`
            : `version ${saved.version}`
          : 'not saved under a name yet'}
      </div>
      {error && (
        <p className="text-danger small-text mb-1" role="alert">
          ✕ {error}
        </p>
      )}
      <div className="d-flex gap-2">
        <Button variant="plain" onClick={() => setDialog('save')}>
          Save as…
        </Button>
        <Button variant="plain" onClick={() => setDialog('use')}>
          Use another…
        </Button>
      </div>
      {dialog === 'save' && (
        <SaveDialog
          suggestion={name}
          onHide={() => setDialog(null)}
          onSave={(as) =>
            replace((revision) => api(`/api/batches/${batch.id}/template`, 'POST', { name: as, revision }))
          }
        />
      )}
      {dialog === 'use' && (
        <UseDialog
          onHide={() => setDialog(null)}
          onUse={(templateId) =>
            replace((revision) => api(`/api/batches/${batch.id}/template`, 'PUT', { templateId, revision })).catch(
              (e: Error) => {
                setDialog(null);
                setError(e.message);
              },
            )
          }
        />
      )}
    </div>
  );
}
