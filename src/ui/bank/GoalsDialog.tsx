'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { saveGoalsAction } from '@/actions/bank';
import type { Goal } from '@/server/bank/shelves';
import { Dialog } from '../parts/Dialog';
import { refusalText } from '../words/refusals';
import { goalsFromLines, linesFromGoals } from './goal-lines';
import { Trouble } from '../parts/Trouble';
import { replyTo } from '../parts/reply-to';

/** The department's learning goals, one a line, typed or taken from a file. */
export function GoalsDialog({ goals, onClose }: { goals: Goal[]; onClose: () => void }) {
  const router = useRouter();
  const [lines, setLines] = useState(linesFromGoals(goals));
  const [trouble, setTrouble] = useState<string | null>(null);
  const read = goalsFromLines(lines);
  const gone = goals.filter((g) => !read.some(({ code }) => code === g.code)).length;
  const save = async (): Promise<void> => {
    const saved = await replyTo(saveGoalsAction(read));
    if (!saved.ok) return setTrouble(refusalText(saved.refusal));
    router.refresh();
    onClose();
  };
  return (
    <Dialog
      title="Learning goals of the department"
      onClose={onClose}
      acts={<Button onClick={save}>Keep {read.length}</Button>}
    >
      <label className="form-label" htmlFor="goal-lines">
        One a line: a short code, then what students can do
      </label>
      <textarea
        id="goal-lines"
        className="form-control mono"
        rows={12}
        value={lines}
        onChange={(e) => setLines(e.target.value)}
      />
      <label className="form-label mt-2" htmlFor="goal-file">
        Or from a file (CSV or text; the first column is the code)
      </label>
      <input
        id="goal-file"
        type="file"
        accept=".csv,.txt,text/plain,text/csv"
        className="form-control form-control-sm"
        onChange={async (e) => {
          const file = e.target.files?.[0];
          if (file) setLines(linesFromGoals(goalsFromLines(await file.text())));
        }}
      />
      {gone > 0 && (
        <p className="advice">{gone === 1 ? 'One goal goes' : `${gone} goals go`} and leaves its questions.</p>
      )}
      <Trouble>{trouble}</Trouble>
    </Dialog>
  );
}
