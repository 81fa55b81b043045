'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { mergeWritten, type Side, type Written } from '@/core/bank/merge';
import { Dialog } from '../parts/Dialog';
import { SideBySide } from './SideBySide';
import { compareVersions } from './versions';

interface Props {
  base: Written;
  mine: Written;
  theirs: Written;
  by: string;
  onMerge: (merged: Written) => void;
  onCopy: () => void;
}

/** Somebody else saved meanwhile, and the same parts differ: both versions side by side, to choose from. */
export function MergeDialog({ base, mine, theirs, by, onMerge, onCopy }: Props) {
  const [chosen, setChosen] = useState<Record<string, Side>>({});
  const { merged, disputed } = mergeWritten(base, mine, theirs, chosen);
  // What is said about the question is shown in one line; its facts are chosen together.
  const shown = [...new Set(disputed.map((part) => (part.startsWith('fact ') ? 'fact' : part)))];
  const choose = (part: string, side: Side): void => {
    const parts = part === 'fact' ? disputed.filter((p) => p.startsWith('fact ')) : [part];
    setChosen({ ...chosen, ...Object.fromEntries([part, ...parts].map((p) => [p, side])) });
  };
  return (
    <Dialog
      title={`${by} has saved this question meanwhile`}
      size="xl"
      acts={
        <>
          <Button variant="outline-primary" onClick={onCopy}>
            Keep mine as a copy
          </Button>
          <Button onClick={() => onMerge(merged)}>Go on with this</Button>
        </>
      }
    >
      <p>
        Nothing is lost. What only one of you changed is taken from whoever changed it. Of what both changed, choose.
      </p>
      <SideBySide
        left="Yours"
        right={by}
        parts={compareVersions(mine, theirs).filter((p) => !p.same)}
        choice={{ disputed: shown, chosen, onChoose: choose }}
      />
    </Dialog>
  );
}
