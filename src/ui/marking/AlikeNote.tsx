'use client';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { alikeAnswersAction, giveAlikeAction } from '@/actions/marking';
import type { AlikeAnswers } from '@/server/marking/alike';
import { Trouble } from '../parts/Trouble';
import { marksText, plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { replyTo } from '../parts/reply-to';

interface Props {
  sitting: string;
  item: string;
  slot: string;
  attempt: string;
  marks: string;
  onGiven: (attempts: readonly string[], marks: string) => void;
}

const shortened = (answer: string): string => (answer.length > 200 ? `${answer.slice(0, 200)}…` : answer);

/** Answers that are like the one just marked: they can have the same mark and remarks, those that are ticked and no others. */
export function AlikeNote({ sitting, item, slot, attempt, marks, onGiven }: Props) {
  const [found, setFound] = useState<AlikeAnswers | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [trouble, setTrouble] = useState<string | null>(null);
  const [giving, setGiving] = useState(false);
  useEffect(() => {
    let here = true;
    void replyTo(alikeAnswersAction({ sitting, item, slot, attempt })).then((read) => {
      if (!here || !read.ok) return;
      setFound(read.value);
      // What comes to the same is ticked; what is only alike is looked at first.
      setChosen(new Set(read.value.alike.filter(({ likeness }) => likeness === 1).map((one) => one.attempt)));
    });
    return () => {
      here = false;
    };
  }, [sitting, item, slot, attempt]);
  if (!found || found.alike.length === 0) return null;
  const give = async (): Promise<void> => {
    setGiving(true);
    const given = await replyTo(giveAlikeAction({ item, slot, from: attempt, to: [...chosen] }));
    setGiving(false);
    if (!given.ok) return setTrouble(refusalText(given.refusal));
    setTrouble(null);
    setFound({ ...found, alike: found.alike.filter((one) => !chosen.has(one.attempt)) });
    setChosen(new Set());
    onGiven(given.value.given, given.value.marks);
  };
  const tick = (one: string): void => {
    const next = new Set(chosen);
    if (!next.delete(one)) next.add(one);
    setChosen(next);
  };
  const all = found.alike.length;
  return (
    <div className="note">
      <h3>{plural(all, 'answer like this one waits', 'answers like this one wait')}</h3>
      <ul className="alike-list">
        {found.alike.map((one) => (
          <li key={one.attempt}>
            <label>
              <input type="checkbox" checked={chosen.has(one.attempt)} onChange={() => tick(one.attempt)} />
              <span>
                <span className="soft">Script {String(one.script).padStart(2, '0')}</span>{' '}
                {one.likeness === 1 ? 'the same' : shortened(one.answer)}
              </span>
            </label>
          </li>
        ))}
      </ul>
      {!found.whole && <p className="soft">There are too many to compare the words of all of them.</p>}
      <Button size="sm" disabled={chosen.size === 0 || giving} onClick={() => void give()}>
        {chosen.size === all && all > 1
          ? `Give ${marksText(marks)} to all ${all}`
          : `Give ${marksText(marks)} to ${chosen.size}`}
      </Button>{' '}
      {chosen.size < all && (
        <Button size="sm" variant="quiet" onClick={() => setChosen(new Set(found.alike.map((one) => one.attempt)))}>
          Tick all {all}
        </Button>
      )}
      <Trouble>{trouble}</Trouble>
    </div>
  );
}
