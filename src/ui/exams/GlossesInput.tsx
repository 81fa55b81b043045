import { useState } from 'react';
import type { Gloss } from '@/core/exams/plan';
import { plural } from '../words/marks';

interface Props {
  glosses: readonly Gloss[];
  onChange: (glosses: Gloss[]) => void;
}

const MOST = 200;

/** One a line, the word before a colon; lines without one are left out. */
export function glossesIn(text: string): Gloss[] {
  return text
    .split('\n')
    .map((line) => {
      const [word = '', ...meaning] = line.split(':');
      return { word: word.trim().slice(0, 80), meaning: meaning.join(':').trim().slice(0, 500) };
    })
    .filter(({ word, meaning }) => word !== '' && meaning !== '')
    .slice(0, MOST);
}

/** Words that are explained to those who are entitled to it, typed as "word: what it means". */
export function GlossesInput({ glosses, onChange }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const written = glosses.map(({ word, meaning }) => `${word}: ${meaning}`).join('\n');
  return (
    <details className="words-on-screens">
      <summary>
        Words that are explained{' '}
        <span className="soft">{glosses.length > 0 ? plural(glosses.length, 'word') : 'none'}</span>
      </summary>
      <p className="soft mb-1">To students who are entitled to it. One a line: word: what it means</p>
      <textarea
        className="form-control form-control-sm"
        rows={Math.min(12, Math.max(3, glosses.length + 1))}
        aria-label="Words that are explained, one a line"
        placeholder="yaw: turning into the wind"
        value={typed ?? written}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={() => {
          if (typed !== null && typed !== written) onChange(glossesIn(typed));
          setTyped(null);
        }}
      />
    </details>
  );
}
