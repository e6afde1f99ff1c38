'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { Template } from '@/core/template';
import type { PreviewPhoto } from '@/preview';
import type { BatchDetail } from '@/server/services';
import { useActions } from '../keys/use-keys';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { NameDialog } from '../shared/name-dialog';
import { WhatIs } from '../shared/what-is';
import { UpdateDialog } from './update-dialog';
import { UseTemplateDialog } from './use-template-dialog';
import { useTemplates } from './use-templates';
import { MayButton } from '../people/may-button';

type SavedTemplatesProps = {
  readonly batch: BatchDetail;
  /** As it stands on the batch, with its name. */
  readonly template: Template;
  /** Photos to show on what another version would change. */
  readonly photos: readonly PreviewPhoto[];
  /** The name the template goes by now. */
  readonly name: string;
  readonly edited: boolean;
  /** Whether cutouts are shown without their finish, to compare. */
  readonly bare: boolean;
  readonly onBare: (bare: boolean) => void;
  /** Brings the server's copy up to date before something is done with it. */
  readonly flush: () => Promise<number>;
  /** Called when the server holds another template for this batch. */
  readonly onReplaced: () => Promise<void>;
};

function SaveDialog({
  suggestion,
  onSave,
  onHide,
}: {
  suggestion: string;
  onSave: (name: string, note: string | null) => Promise<void>;
  onHide: () => void;
}) {
  const { data } = useTemplates();
  const help = (name: string) => {
    const known = data?.templates.find((t) => t.name === name);
    return known
      ? `Becomes version ${known.version + 1} of ${known.name}; earlier versions stay.`
      : 'A new template that every batch can use.';
  };
  return (
    <NameDialog
      title="Save the template"
      suggestion={suggestion}
      help={help}
      withNote
      onSave={onSave}
      onHide={onHide}
    />
  );
}

/** Saving the template under a name, and taking a saved one. */
export function SavedTemplates({
  batch,
  template,
  photos,
  name,
  edited,
  bare,
  onBare,
  flush,
  onReplaced,
}: SavedTemplatesProps) {
  const [dialog, setDialog] = useState<'save' | 'use' | 'update' | null>(null);
  useActions('page', { saveAs: () => setDialog('save'), savedOnes: () => setDialog('use') });
  const client = useQueryClient();
  const [error, setError] = useState<string | null>(null);
  const replace = async (work: (revision: number) => Promise<unknown>) => {
    await work(await flush());
    await anew(client, ['templates']);
    // The dialog stays until the template is there: what is changed in between would be of the one before.
    await onReplaced();
    setDialog(null);
  };
  const { saved } = batch;
  return (
    <div className="side-block">
      <div className="d-flex align-items-center gap-2">
        <strong className="name-line" title={name}>
          {name}
        </strong>
        <Button
          className="ms-auto"
          variant={bare ? 'primary' : 'plain'}
          aria-pressed={bare}
          title="Cutouts without borders, shadows and soft edges, to compare"
          onClick={() => onBare(!bare)}
        >
          Bare
        </Button>
      </div>
      <div className="muted small-text mb-1">
        {saved
          ? edited
            ? `changed since version ${saved.version}`
            : `version ${saved.version}`
          : 'not saved under a name yet'}{' '}
        <WhatIs word="template" />
      </div>
      {saved && saved.newest > saved.version && (
        <p className="small-text mb-1">
          There is a version {saved.newest} of {saved.name}.{' '}
          <MayButton least="artist" variant="quiet" onClick={() => setDialog('update')}>
            See what changes…
          </MayButton>
        </p>
      )}
      {error && (
        <p className="text-danger small-text mb-1" role="alert">
          ✕ {error}
        </p>
      )}
      <div className="d-flex gap-2">
        <MayButton least="maker" variant="plain" onClick={() => setDialog('save')}>
          Save as…
        </MayButton>
        <MayButton least="artist" variant="plain" onClick={() => setDialog('use')}>
          Saved ones…
        </MayButton>
      </div>
      {dialog === 'update' && saved && (
        <UpdateDialog
          saved={saved}
          mine={template}
          photos={photos}
          onHide={() => setDialog(null)}
          onTake={(next) =>
            void replace((revision) =>
              api(`/api/batches/${batch.id}/template`, 'PUT', {
                templateId: saved.templateId,
                revision,
                template: next,
              }),
            ).catch((e: Error) => {
              setDialog(null);
              setError(e.message);
            })
          }
        />
      )}
      {dialog === 'save' && (
        <SaveDialog
          suggestion={name}
          onHide={() => setDialog(null)}
          onSave={(as, note) =>
            replace((revision) => api(`/api/batches/${batch.id}/template`, 'POST', { name: as, revision, note }))
          }
        />
      )}
      {dialog === 'use' && (
        <UseTemplateDialog
          onHide={() => setDialog(null)}
          onUse={(templateId) =>
            void replace((revision) => api(`/api/batches/${batch.id}/template`, 'PUT', { templateId, revision })).catch(
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
