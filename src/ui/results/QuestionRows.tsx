'use client';
import { Link } from '../parts/Link';
import { useState } from 'react';
import { FEWEST } from '@/core/analysis/advice';
import type { AnalysedQuestion } from '@/server/results/analysis';
import { CheckLine } from '../parts/CheckLine';
import { RowsTable } from '../parts/RowsTable';
import { ShareBar } from '../parts/ShareBar';
import { adviceText, figureText, percentText } from '../words/analysis';
import { plural } from '../words/marks';

type Order = 'paper' | 'facility' | 'upperLower' | 'withRest' | 'omitted';
const ORDERS: Record<Order, string> = {
  paper: 'in the order of the paper',
  facility: 'hardest first',
  upperLower: 'least telling first',
  withRest: 'worst with the rest first',
  omitted: 'most often left empty first',
};

/** The questions in another order; those without the figure stand at the end. */
function sorted(questions: readonly AnalysedQuestion[], order: Order): readonly AnalysedQuestion[] {
  if (order === 'paper') return questions;
  const figure = (one: AnalysedQuestion): number => one[order] ?? Infinity;
  return questions.toSorted((a, b) => (order === 'omitted' ? b.omitted - a.omitted : figure(a) - figure(b)));
}

/** Every question of a sitting in a row: sorted, or only those that are worth a look. */
export function QuestionRows({ sitting, questions }: { sitting: string; questions: readonly AnalysedQuestion[] }) {
  const [order, setOrder] = useState<Order>('paper');
  const [advised, setAdvised] = useState(false);
  const shown = sorted(questions, order).filter(({ advice }) => !advised || advice.length > 0);
  return (
    <>
      <div className="d-flex gap-4 align-items-center flex-wrap py-2">
        <select
          className="form-select w-auto"
          aria-label="Order of the questions"
          value={order}
          onChange={(e) => {
            const next = (Object.keys(ORDERS) as Order[]).find((one) => one === e.target.value);
            if (next) setOrder(next);
          }}
        >
          {Object.entries(ORDERS).map(([is, words]) => (
            <option key={is} value={is}>
              {words}
            </option>
          ))}
        </select>
        <CheckLine checked={advised} onChange={setAdvised}>
          only what is worth a look
        </CheckLine>
      </div>
      <RowsTable
        rows={shown}
        keyOf={({ item }) => item}
        empty="Nothing is worth a look."
        columns={[
          {
            head: 'Question',
            cell: ({ item, number, label }) => (
              <Link href={`/sittings/${sitting}/analysis/${item}`}>
                {number}. {label}
              </Link>
            ),
          },
          {
            head: 'Marks earned',
            cell: ({ facility }) => (
              <span className="text-nowrap">
                <ShareBar share={facility} /> {percentText(facility)}
              </span>
            ),
          },
          { head: 'Best less weakest', figure: true, cell: ({ upperLower }) => figureText(upperLower) },
          { head: 'With the rest', figure: true, cell: ({ withRest }) => figureText(withRest) },
          { head: 'Alpha without', figure: true, cell: ({ alphaWithout }) => figureText(alphaWithout) },
          { head: 'Empty', figure: true, cell: ({ omitted }) => percentText(omitted) },
          { head: 'Worth a look', cell: (question) => <Looks question={question} /> },
        ]}
      />
    </>
  );
}

function Looks({ question: { advice, persons } }: { question: AnalysedQuestion }) {
  if (persons < FEWEST) return <span className="soft">{plural(persons, 'script', 'scripts')} only</span>;
  return advice.map((one) => (
    <span key={one.is} className={`d-block ${one.is === 'easy' || one.is === 'hard' ? 'soft' : 'hand'}`}>
      {adviceText(one)}
    </span>
  ));
}
