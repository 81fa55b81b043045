'use client';
import { useState } from 'react';
import type { Anchor, Pinned, ReadAs } from '@/core/content/anchors';
import { readingFigures, readWords } from '@/core/content/reading-aloud';
import { clock } from '@/core/content/recordings';

interface Props {
  text: string;
  seconds: number;
  remarks: readonly Pinned[];
  onPin?: ((anchor: Anchor) => void) | undefined;
}

const SIGNS: Record<Exclude<ReadAs, 'right'>, string> = {
  other: 'another word',
  'left out': 'left out',
  'put in': 'a word put in before it',
  helped: 'helped',
  corrected: 'put right by oneself',
  last: 'last word reached',
};

/** The text that was read, in which whoever listens taps what went wrong; and what it comes to. */
export function ReadAloud({ text, seconds, remarks, onPin }: Props) {
  const [sign, setSign] = useState<keyof typeof SIGNS>('other');
  const words = readWords(text);
  const marked = remarks.flatMap(({ anchor }) => (anchor.at === 'read' ? [anchor] : []));
  const at = (word: number): ReadAs[] => marked.filter((one) => one.word === word).map(({ as }) => as);
  const tap = (word: number): void => onPin?.({ at: 'read', word, as: at(word).includes(sign) ? 'right' : sign });
  const figures = readingFigures(words.length, marked, seconds);
  const last = marked.find(({ as }) => as === 'last')?.word ?? words.length;
  return (
    <div className="read-aloud">
      {onPin && (
        <label className="line-of-signs">
          Tap a word:{' '}
          <select
            className="form-select form-select-sm"
            aria-label="What went wrong"
            value={sign}
            onChange={(e) => setSign(e.target.value as keyof typeof SIGNS)}
          >
            {Object.entries(SIGNS).map(([name, said]) => (
              <option key={name} value={name}>
                {said}
              </option>
            ))}
          </select>
        </label>
      )}
      <p className="reads" dir="auto">
        {words.map((word, i) => {
          const signs = at(i);
          const said = signs.map((one) => (one === 'right' ? '' : SIGNS[one])).join(', ');
          const look = `${signs.map((one) => `read-${one.replace(' ', '-')}`).join(' ')} ${i > last ? 'beyond' : ''}`;
          return onPin ? (
            <button
              key={i}
              type="button"
              className={look}
              title={said}
              aria-label={`${word}${said && `: ${said}`}`}
              onClick={() => tap(i)}
            >
              {word}
            </button>
          ) : (
            <span key={i} className={look} title={said}>
              {word}{' '}
            </span>
          );
        })}
      </p>
      {(onPin || marked.length > 0) && (
        <p className="soft" role="status">
          {figures.attempted} words{seconds > 0 && ` in ${clock(seconds)}`}, {figures.errors} wrong
          {figures.corrected > 0 && `, ${figures.corrected} put right`}
          {figures.correctPerMinute !== null && (
            <>
              : <strong>{Math.round(figures.correctPerMinute)} right words a minute</strong>
            </>
          )}
          {figures.accuracy !== null && `, ${Math.round(100 * figures.accuracy)} % right`}
        </p>
      )}
    </div>
  );
}
