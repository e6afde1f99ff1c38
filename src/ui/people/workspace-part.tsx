'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { api } from '../shared/api';
import { NameDialog } from '../shared/name-dialog';
import { useWho } from './who';

/** The workspace's name, and making another one. */
export function WorkspacePart() {
  const { person } = useWho();
  const [asking, setAsking] = useState<'rename' | 'make' | null>(null);
  if (!person) return null;
  const name = person.workspaces.find(({ id }) => id === person.workspace)?.name ?? '';
  const save = async (wanted: string) => {
    if (asking === 'rename') await api('/api/workspaces', 'PATCH', { name: wanted });
    else {
      const { id } = await api<{ id: number }>('/api/workspaces', 'POST', { name: wanted });
      await api('/api/session', 'PATCH', { workspace: id });
    }
    window.location.reload();
  };
  return (
    <details className="panel p-3 mb-3">
      <summary>
        Workspace <span className="muted ms-2">{name}</span>
      </summary>
      <p className="muted mt-2">
        Each workspace has its own people, batches, templates, shapes and deliveries, and sees nothing of the others.
      </p>
      <Button variant="plain" onClick={() => setAsking('rename')}>
        Rename…
      </Button>{' '}
      <Button variant="plain" onClick={() => setAsking('make')}>
        New workspace…
      </Button>
      {asking && (
        <NameDialog
          title={asking === 'rename' ? 'Rename the workspace' : 'New workspace'}
          suggestion={asking === 'rename' ? name : ''}
          help={() => (asking === 'rename' ? '' : 'You are its owner, and go there.')}
          onSave={save}
          onHide={() => setAsking(null)}
        />
      )}
    </details>
  );
}
