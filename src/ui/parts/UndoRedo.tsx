'use client';
import { Redo2, Undo2 } from 'lucide-react';
import Button from 'react-bootstrap/Button';

interface Props {
  undo: () => void;
  redo: () => void;
  canUndo: boolean;
  canRedo: boolean;
}

/** The two buttons of a history; the same as Ctrl Z and Ctrl Y. */
export function UndoRedo({ undo, redo, canUndo, canRedo }: Props) {
  return (
    <span className="d-inline-flex">
      <Button variant="quiet" aria-label="Undo" title="Undo, Ctrl Z" onClick={undo} disabled={!canUndo}>
        <Undo2 size={17} />
      </Button>
      <Button variant="quiet" aria-label="Redo" title="Redo, Ctrl Y" onClick={redo} disabled={!canRedo}>
        <Redo2 size={17} />
      </Button>
    </span>
  );
}
