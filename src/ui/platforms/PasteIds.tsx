'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { type OutsideId, readOutsideIds } from '@/core/gradebook/outside-ids';
import type { OutsideStudent } from '@/server/platforms/outside-book';
import { LeftOut } from '../gradebook/LeftOut';
import { Dialog } from '../parts/Dialog';
import { plural } from '../words/marks';

interface Props {
  students: readonly OutsideStudent[];
  onTake: (ids: OutsideId[]) => void;
  onClose: () => void;
}

/** Ids from two columns of a spreadsheet; they stand in the list before they are kept. */
export function PasteIds({ students, onTake, onClose }: Props) {
  const [text, setText] = useState('');
  const { ids, bad } = readOutsideIds(text, students);
  return (
    <Dialog
      title="Ids from a list"
      onClose={onClose}
      acts={
        <Button disabled={ids.length === 0} onClick={() => onTake(ids)}>
          {ids.length === 0 ? 'Nobody is named yet' : `Put ${plural(ids.length, 'id')} into the list`}
        </Button>
      }
    >
      <label className="d-block">
        One line for each student: user name or name, and the id. Two columns of a spreadsheet can be pasted.
        <textarea
          className="form-control mono mt-1"
          rows={8}
          value={text}
          autoFocus
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <LeftOut bad={bad} what="line" />
    </Dialog>
  );
}
