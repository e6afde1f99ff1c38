'use client';
import { Redo2, Undo2 } from 'lucide-react';
import { Button } from 'react-bootstrap';
import type { History } from './history';
import { useHistory } from './use-history';

/** Undo and redo; what they are about stands in their titles. */
export function UndoButtons({ history }: { readonly history: History }) {
  const { canUndo, canRedo, last, next, undo, redo } = useHistory(history);
  const [undoes, redoes] = [last ? `Undo: ${last}` : 'Nothing to undo', next ? `Redo: ${next}` : 'Nothing to redo'];
  return (
    <div className="ms-auto d-flex gap-1 flex-nowrap">
      <Button variant="quiet" disabled={!canUndo} onClick={undo} title={undoes} aria-label="Undo">
        <Undo2 size={17} aria-hidden />
      </Button>
      <Button variant="quiet" disabled={!canRedo} onClick={redo} title={redoes} aria-label="Redo">
        <Redo2 size={17} aria-hidden />
      </Button>
    </div>
  );
}
