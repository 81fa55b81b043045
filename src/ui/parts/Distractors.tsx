'use client';
import { freshPart, leftOver } from '@/core/rules/placing/placed';
import { LineRows } from './LineRows';
import { emptyRow, type Row } from './rows';

interface Props {
  /** All that can be placed: tiles, partners. */
  things: Row[];
  places: readonly { accepts: readonly string[] }[];
  label: string;
  placeholder: string;
  /** How many things there can be in all. */
  most: number;
  longest: number;
  /** The letter of their ids. */
  letter: string;
  onChange: (things: Row[]) => void;
  onLeave: (() => void) | undefined;
}

/** Things that belong nowhere, one a line. A lone empty line is only where one begins to write. */
export function Distractors({ things, places, placeholder, most, letter, onChange, onLeave, ...rest }: Props) {
  const extra = leftOver(things, places);
  const fresh = (rows: readonly Row[], text: string): Row => ({ id: freshPart([...things, ...rows], letter), text });
  const rows = extra.length > 0 ? extra : [fresh([], '')];
  return (
    <LineRows
      {...rest}
      rows={rows}
      what="distractor"
      most={most - things.length + rows.length}
      least={1}
      placeholder={() => placeholder}
      fresh={fresh}
      onChange={(next) => {
        const written = next.filter((row) => next.length > 1 || !emptyRow(row));
        onChange([...things.filter((one) => !extra.includes(one)), ...written]);
      }}
      {...(onLeave ? { onLeave } : {})}
    />
  );
}
