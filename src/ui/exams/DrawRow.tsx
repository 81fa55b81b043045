'use client';
import Button from 'react-bootstrap/Button';
import { type Draw, type ExamPlan, MOST_SOUGHT } from '@/core/exams/plan';
import type { BankShelf, Goal } from '@/server/bank/shelves';
import { Clauses } from '../bank/Clauses';
import { PlaceOptions } from '../bank/PlaceOptions';
import { placeOf } from '../bank/places';
import { CheckLine } from '../parts/CheckLine';
import { MarksInput } from '../parts/MarksInput';
import { plural } from '../words/marks';
import { NumberWord } from '../parts/NumberWord';
import { changedDraw, withoutDraw } from './plan-moves';

/** What a draw can be narrowed by. */
export interface DrawnFrom {
  shelves: BankShelf[];
  tags: string[];
  goals: Goal[];
  authors: { id: string; name: string }[];
}

interface Props {
  draw: Draw & { seeks: NonNullable<Draw['seeks']> };
  /** "A draw of section B", for those who hear it. */
  name: string;
  /** How many questions it finds now. */
  found: number | undefined;
  from: DrawnFrom;
  change: (next: (plan: ExamPlan) => ExamPlan, tag?: string) => void;
}

/** A draw in the plan: a sentence of which every word can be changed. */
export function DrawRow({ draw, name, found, from, change }: Props) {
  const { seeks, take, unseen = false, marks } = draw;
  const { bank, topic, ...filters } = seeks;
  const edit = (part: Partial<Draw>, tag = ''): void =>
    change((p) => changedDraw(p, draw.id, part), tag && `${tag} ${draw.id}`);
  const place = bank === null ? '' : [bank, topic].filter(Boolean).join(' ');
  /** A bank that is not shared with the reader, or a topic that is gone. */
  const hidden =
    bank !== null &&
    !from.shelves.some(({ id, topics }) => id === bank && (!topic || topics.some((t) => t.id === topic)));
  const short = found !== undefined && found < take;
  return (
    <div className="plan-row draw-row" role="group" aria-label={name}>
      <span className="soft">drawn</span>
      <div>
        <div className="sentence">
          <NumberWord
            label={`How many questions ${name} takes`}
            value={String(take)}
            least={1}
            most={MOST_SOUGHT}
            onChange={(text) => edit({ take: Number(text) }, 'take')}
          />{' '}
          of{' '}
          <select
            aria-label="bank and topic"
            value={place}
            onChange={(e) => edit({ seeks: { ...seeks, ...placeIn(e.target.value) } })}
          >
            <option value="">all banks</option>
            {hidden && <option value={place}>a place that you do not see</option>}
            <PlaceOptions shelves={from.shelves} whole />
          </select>
          <Clauses
            filters={filters}
            known={from}
            without={['kept', 'ready', 'review']}
            onChange={(next) => edit({ seeks: { ...next, bank, topic } })}
          />
        </div>
        <div className="sentence">
          about{' '}
          <input
            className="draw-words"
            aria-label={`Words that ${name} looks for`}
            placeholder="anything"
            value={seeks.words}
            maxLength={200}
            onChange={(e) => edit({ seeks: { ...seeks, words: e.target.value } }, 'words')}
          />
          <CheckLine checked={unseen} onChange={(on) => edit({ unseen: on })}>
            not met by the course before
          </CheckLine>{' '}
          <span className={short ? 'wrong' : ''} role="status">
            {found === undefined ? '' : `${plural(found, 'question')} to draw from`}
          </span>
        </div>
      </div>
      <span className="bracketed">
        [
        <MarksInput
          marks={marks ?? ''}
          label={`Marks of each question of ${name}; empty for its own`}
          onChange={(each) => edit({ marks: each }, 'marks')}
          onEmpty={() => edit({ marks: undefined })}
        />
        ]
      </span>
      <span className="soft">{marks === undefined ? 'own marks' : 'each'}</span>
      <Button variant="quiet" aria-label={`Take ${name} out`} onClick={() => change((p) => withoutDraw(p, draw.id))}>
        ×
      </Button>
    </div>
  );
}

const placeIn = (value: string): { bank: string | null; topic: string | null } =>
  value === '' ? { bank: null, topic: null } : placeOf(value);
