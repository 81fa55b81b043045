'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { judgeOwn, type JudgeOwnSetup } from '@/core/kinds/judge-own/judge-own';
import { CheckLine } from '../../parts/CheckLine';
import { Dialog } from '../../parts/Dialog';
import { RubricEditor } from '../../rubrics/RubricEditor';
import { plural } from '../../words/marks';
import { LooksFor } from '../../parts/LooksFor';
import type { EditorProps, EditorSide } from '../contract';
import { Levels } from './Levels';

function Place({ setup, onChange, letter }: EditorProps<JudgeOwnSetup>) {
  return (
    <>
      <Levels id={`edit-${letter}`} sheet={judgeOwn.sheet(setup, null)} response={undefined} />
      <LooksFor letter={letter} words={setup.example} onChange={(example) => onChange({ ...setup, example })} />
    </>
  );
}

function Note({ setup, onChange }: EditorProps<JudgeOwnSetup>) {
  const [open, setOpen] = useState(false);
  return (
    <div className="rule-edit">
      <Button variant="outline-primary" size="sm" aria-haspopup="dialog" onClick={() => setOpen(true)}>
        Criteria and levels…
      </Button>
      <CheckLine checked={setup.hidesMarks} onChange={(hidesMarks) => onChange({ ...setup, hidesMarks }, 'apart')}>
        students see levels without marks
      </CheckLine>
      <CheckLine checked={setup.words} onChange={(words) => onChange({ ...setup, words }, 'apart')}>
        they say something to it
      </CheckLine>
      <CheckLine checked={setup.afterwards} onChange={(afterwards) => onChange({ ...setup, afterwards }, 'apart')}>
        they judge it after handing in, until a person has marked it
      </CheckLine>
      {open && (
        <Dialog title="Criteria and levels" out="Done" size="xl" onClose={() => setOpen(false)}>
          <RubricEditor rubric={setup.rubric} onChange={(rubric) => onChange({ ...setup, rubric })} />
        </Dialog>
      )}
    </div>
  );
}

export const judgeOwnEditor: EditorSide<JudgeOwnSetup> = {
  Place,
  Note,
  sentence: ({ rubric, afterwards }) =>
    `Students judge their own work${afterwards ? ' after handing in' : ''} by ${plural(rubric.criteria.length, 'criterion', 'criteria')}; whoever marks does so by the same.`,
  trialHint: 'Judge it as a student would',
  presets: [
    {
      name: 'Own judgement',
      about: 'Students judge their own work by a rubric, and a person after them',
      setup: (fresh) => fresh,
      example: {
        asks: 'Bake a loaf by the recipe, and judge it yourself.',
        setup: (setup) => ({
          ...setup,
          rubric: {
            ...setup.rubric,
            title: 'The loaf',
            criteria: setup.rubric.criteria.map((one, i) => ({
              ...one,
              title: i === 0 ? 'Crust' : 'Crumb',
              cells: one.cells.map((cell, level) => ({
                ...cell,
                words: ['burnt or pale', 'uneven', 'nearly even', 'even all over'][level] ?? '',
              })),
            })),
          },
        }),
      },
    },
  ],
};
