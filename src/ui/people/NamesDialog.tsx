'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Result } from '@/core/base/result';
import { Dialog } from '../parts/Dialog';
import { SaidLine } from '../parts/SaidLine';
import { Trouble } from '../parts/Trouble';
import { useAct } from '../parts/use-act';

interface Props<Field extends string> {
  title: string;
  /** What is asked for, in order. */
  lines: Record<Field, string>;
  /** What it is called now. */
  now: Record<NoInfer<Field>, string>;
  act: string;
  onKeep: (said: Record<NoInfer<Field>, string>) => Promise<Result<unknown>>;
  onClose: () => void;
}

/** What something is called, line by line. */
export function NamesDialog<Field extends string>({ title, lines, now, act, onKeep, onClose }: Props<Field>) {
  const [said, setSaid] = useState<Record<Field, string>>(now);
  const keeping = useAct();
  const fields = Object.keys(lines) as Field[];
  return (
    <Dialog
      title={title}
      onClose={onClose}
      onSubmit={() => void keeping.act(() => onKeep(said), onClose)}
      acts={
        <Button type="submit" disabled={keeping.busy}>
          {act}
        </Button>
      }
    >
      {fields.map((field, i) => (
        <SaidLine
          key={field}
          words={lines[field]}
          value={said[field]}
          first={i === 0}
          trouble={keeping.troubleAt(field)}
          onChange={(value) => setSaid({ ...said, [field]: value })}
        />
      ))}
      <Trouble>{keeping.troubleBeside(fields)}</Trouble>
    </Dialog>
  );
}
