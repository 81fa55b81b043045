'use client';
import { type ReactNode, useState } from 'react';

interface Props {
  summary: string;
  /** Drawn when it is opened: forty places with sixty names each would be many fields. */
  children: () => ReactNode;
}

/** What can be set of one part, folded. */
export function PartNote({ summary, children }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <details className="part-note" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>{summary}</summary>
      {open && children()}
    </details>
  );
}
