'use client';
import type { Takes } from '@/core/content/takes';
import { type HandInSetup, MOST_PAGES } from '@/core/kinds/hand-in/hand-in';
import { CountInput } from '../../parts/CountInput';
import { LooksFor } from '../../parts/LooksFor';
import type { EditorProps, EditorSide } from '../contract';
import { askedFor } from './asked';

const TAKEN: Record<Takes, string> = {
  pages: 'pages, photographed or as PDF',
  documents: 'documents',
  any: 'files of any kind',
};

function Place({ setup, onChange, letter }: EditorProps<HandInSetup>) {
  return (
    <LooksFor letter={letter} words={setup.example} rows={4} onChange={(example) => onChange({ ...setup, example })} />
  );
}

function Note({ setup, onChange }: EditorProps<HandInSetup>) {
  return (
    <div className="rule-edit">
      <span className="line">
        up to
        <CountInput
          count={setup.most}
          least={1}
          most={MOST_PAGES}
          label="How many can be handed in"
          onChange={(most) => most !== null && onChange({ ...setup, most })}
        />
        <select
          className="form-select"
          aria-label="What can be handed in"
          value={setup.takes}
          onChange={(e) => onChange({ ...setup, takes: e.target.value as Takes })}
        >
          {Object.entries(TAKEN).map(([name, words]) => (
            <option key={name} value={name}>
              {words}
            </option>
          ))}
        </select>
      </span>
    </div>
  );
}

export const handInEditor: EditorSide<HandInSetup> = {
  Place,
  Note,
  sentence: (setup) => `${askedFor(setup)} A person looks at them.`,
  trialHint: 'Hand a file in as a student would',
  presets: [
    {
      name: 'Pages to hand in',
      about: 'Photographed pages or PDF, that a person marks',
      setup: (fresh) => fresh,
      example: {
        asks: 'Work out on paper how long the shadow of a 2 m pole is when the sun stands 30° high, and photograph your pages.',
        setup: (setup) => ({ ...setup, most: 3, example: '2 m / tan 30° = 3.46 m, with a sketch of the triangle' }),
      },
    },
    {
      name: 'Files to hand in',
      about: 'Documents or other files, that a person marks',
      setup: (fresh) => ({ ...fresh, takes: 'documents', most: 1 }),
      example: {
        asks: 'Hand in your report on the visit as a document.',
        setup: (setup) => ({ ...setup, example: 'date, what was seen, what follows from it' }),
      },
    },
  ],
};
