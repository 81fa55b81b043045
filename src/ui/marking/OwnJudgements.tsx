'use client';
import { useEffect, useState } from 'react';
import { ownJudgementsAction } from '@/actions/marking';
import type { Difference } from '@/core/rules/rubric/differences';
import { replyTo } from '../parts/reply-to';

interface Props {
  sitting: string;
  item: string;
  slot: string;
  /** The mark that was given last, after which it is looked at anew. */
  after: string | null;
}

/** How the class judged itself against whoever marks: a bar for each difference in levels. */
export function OwnJudgements({ sitting, item, slot, after }: Props) {
  const [found, setFound] = useState<Difference[]>([]);
  useEffect(() => {
    let here = true;
    void replyTo(ownJudgementsAction({ sitting, item, slot })).then((read) => here && read.ok && setFound(read.value));
    return () => {
      here = false;
    };
  }, [sitting, item, slot, after]);
  const judged = found.filter(({ counts }) => counts.some(({ scripts }) => scripts > 0));
  if (judged.length === 0) return null;
  return (
    <section className="note" aria-label="Own judgement and yours">
      <h3>Own judgement and yours</h3>
      {judged.map(({ title, counts }) => {
        const most = Math.max(...counts.map(({ scripts }) => scripts));
        const said = counts
          .filter(({ scripts }) => scripts > 0)
          .map(({ by, scripts }) => `${scripts} ${by === 0 ? 'the same' : by > 0 ? `${by} higher` : `${-by} lower`}`);
        return (
          <div key={title} className="difference">
            <span>{title}</span>
            <div className="bars" role="img" aria-label={`${title}: ${said.join(', ')}`}>
              {counts.map(({ by, scripts }) => (
                <i
                  key={by}
                  className={by === 0 ? 'same' : ''}
                  title={`${scripts}`}
                  style={{ height: `${(100 * scripts) / most}%` }}
                />
              ))}
            </div>
            <span className="ends">
              <span>lower than you</span>
              <span>higher</span>
            </span>
          </div>
        );
      })}
    </section>
  );
}
