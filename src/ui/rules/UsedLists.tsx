'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { listNamed, type WordList } from '@/core/rules/text/lists';
import { pointsIn, wordingsIn } from '@/core/rules/text/points';
import type { TextRules } from '@/core/rules/text/rules';
import { phrasesIn } from '@/core/rules/text/wordings';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { useWordHelp } from './WordHelp';
import { WordListsDialog } from './WordListsDialog';

/** The names of the word lists that the rules use. */
function namesIn({ rules, calls }: TextRules): string[] {
  const wordings = rules.flatMap((rule) => (rule.when === 'points' ? wordingsIn(rule) : []));
  const headings = rules.flatMap((rule) =>
    rule.when === 'points' ? pointsIn(rule).flatMap(({ under }) => under) : [],
  );
  const names = [...[...wordings, ...calls].flatMap(phrasesIn), ...headings].flatMap(
    (phrase) => listNamed(phrase) ?? [],
  );
  return [...new Set(names)];
}

/** The lists with others put in the place of those of the same names. */
function withLists(before: readonly WordList[], taken: readonly WordList[]): WordList[] {
  const names = new Set(taken.map(({ name }) => name.toLowerCase()));
  return [...before.filter(({ name }) => !names.has(name.toLowerCase())), ...taken].slice(0, 40);
}

interface Props {
  rules: TextRules;
  onChange: (lists: WordList[]) => void;
}

/** The word lists that the rules use, as they were taken in; and the department's, to be taken in anew and to be written. */
export function UsedLists({ rules, onChange }: Props) {
  const { openList } = useWordHelp();
  const [open, setOpen] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const names = namesIn(rules);
  const has = (name: string): WordList | undefined =>
    rules.lists.find((list) => list.name.toLowerCase() === name.toLowerCase());
  const take = async (name: string): Promise<void> => {
    const found = await openList(name).catch(() => null);
    if (found?.ok) onChange(withLists(rules.lists, found.value));
    setTrouble(found?.ok ? null : found ? `“${name}”: ${refusalText(found.refusal)}` : 'The server cannot be reached.');
  };
  return (
    <details open={names.some((name) => !has(name))}>
      <summary>Word lists</summary>
      {names.length === 0 && (
        <p className="soft">Write a name in braces, such as {'{load cases}'}, to use a word list of the department.</p>
      )}
      {names.map((name) => {
        const mine = has(name);
        return (
          <p key={name} className="line">
            <span className={mine ? '' : 'wrong'}>
              {name}: {mine ? plural(mine.words.length, 'word') : 'not taken in yet'}
            </span>
            <Button variant="quiet" className="small-act" onClick={() => void take(name)}>
              {mine ? 'Bring up to date' : 'Take in'}
            </Button>
          </p>
        );
      })}
      {trouble && <p className="wrong">{trouble}</p>}
      <Button variant="quiet" onClick={() => setOpen(true)}>
        Word lists of the department…
      </Button>
      {open && <WordListsDialog onClose={() => setOpen(false)} />}
    </details>
  );
}
