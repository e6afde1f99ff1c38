'use client';
import { useQueryClient } from '@tanstack/react-query';
import type { Shape } from '@/core/shape';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { NameDialog } from '../shared/name-dialog';

type KeepDialogProps = {
  readonly shape: Shape;
  readonly suggestion: string;
  readonly onHide: () => void;
  readonly onKept?: (id: number) => void;
};

/** Keeps a shape in the library under a name of its own. */
export function KeepDialog({ shape, suggestion, onHide, onKept }: KeepDialogProps) {
  const client = useQueryClient();
  return (
    <NameDialog
      title="Keep the shape in the library"
      suggestion={suggestion}
      help={() => 'Every template can use it from there.'}
      onHide={onHide}
      onSave={async (name) => {
        const { id } = await api<{ id: number }>('/api/shapes', 'POST', { name, shape });
        await anew(client, ['shapes']);
        onHide();
        onKept?.(id);
      }}
    />
  );
}
