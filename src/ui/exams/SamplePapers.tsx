'use client';
import { useEffect, useState } from 'react';
import { samplePapersAction } from '@/actions/exams';
import type { Lot } from '@/core/exams/lot';
import type { ExamPlan } from '@/core/exams/plan';
import type { SamplePaper } from '@/server/exams/trial-papers';
import { marksText } from '../words/marks';
import { replyTo } from '../parts/reply-to';

interface Props {
  exam: string;
  plan: ExamPlan;
  course: string | null;
  /** The paper that is shown. */
  lot: Lot;
  onShow: (seed: number) => void;
}

/** Some papers held side by side: what differs from the first one is set off. */
export function SamplePapers({ exam, plan, course, lot, onShow }: Props) {
  const { seed, without } = lot;
  const [papers, setPapers] = useState<SamplePaper[]>([]);
  useEffect(() => {
    let stale = false;
    void replyTo(samplePapersAction({ plan, course, exam }, without)).then((result) => {
      if (!stale && result.ok) setPapers(result.value);
    });
    return () => {
      stale = true;
    };
  }, [plan, course, exam, without]);
  const [first] = papers;
  if (!first) return null;
  const topics = [...new Set(papers.flatMap((paper) => paper.topics.map(([name]) => name)))];
  const ofTopic = (paper: SamplePaper, topic: string): number =>
    paper.topics.find(([name]) => name === topic)?.[1] ?? 0;
  const columns: { head: string; figure: (paper: SamplePaper) => string }[] = [
    { head: 'questions', figure: (paper) => String(paper.questions) },
    { head: 'marks', figure: (paper) => marksText(paper.marks) },
    { head: 'minutes of work', figure: (paper) => String(paper.minutes) },
    { head: 'difficulty', figure: (paper) => paper.difficulty.toFixed(1) },
    ...topics.map((topic) => ({ head: topic, figure: (paper: SamplePaper) => String(ofTopic(paper, topic)) })),
  ];
  return (
    <div className="sample-papers">
      <table className="table table-sm" aria-label="Papers side by side">
        <thead>
          <tr>
            <th scope="col">Paper</th>
            {columns.map(({ head }) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {papers.map((paper) => (
            <tr key={paper.seed} className={paper.seed === seed ? 'on' : ''}>
              <th scope="row">
                <button
                  type="button"
                  className="btn-link-plain"
                  aria-pressed={paper.seed === seed}
                  onClick={() => onShow(paper.seed)}
                >
                  {paper.seed}
                </button>
              </th>
              {columns.map(({ head, figure }) => (
                <td key={head} className={figure(paper) === figure(first) ? '' : 'hand'}>
                  {figure(paper)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
