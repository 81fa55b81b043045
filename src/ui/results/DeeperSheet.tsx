'use client';
import { Link } from '../parts/Link';
import { useRouter } from 'next/navigation';
import { sizeOfEffect } from '@/core/analysis/compare';
import { exact, shown } from '@/core/base/exact';
import type { Grouped, OnScale } from '@/server/results/deeper';
import type { Deeper } from '@/server/results/open-analysis';
import { RowsTable } from '../parts/RowsTable';
import { figureText, percentText } from '../words/analysis';
import { plural } from '../words/marks';
import { dayOnly } from '../words/time';
import { ChartFrame } from './ChartFrame';
import { DifficultyMap } from './DifficultyMap';
import { LinkedScales } from './LinkedScales';

/** What an analysis says beyond the questions one by one. */
export function DeeperSheet({ sitting, deeper }: { sitting: string; deeper: Deeper }) {
  const { scale, alike, sections, time, decision, earlier } = deeper;
  return (
    <>
      <section className="sheet plain" aria-labelledby="whole-more">
        <h2 id="whole-more" className="fs-6 fw-bold">
          The scores besides
        </h2>
        {decision && (
          <p className="mb-1">
            At {shown(exact(decision.passPercent), 3)} %, pass or fail would come out alike with other questions like
            these by <strong>{figureText(decision.sureness)}</strong> of 1 (Livingston’s k²).
            {decision.error !== null &&
              ` Of those within 10 percent of it, a score is uncertain by ${shown(exact(decision.error.toFixed(2)), 3)} percent (standard error).`}
          </p>
        )}
        {time && (
          <p className="mb-1">
            They took {Math.round(time.minutes)} minutes on average
            {time.withScore === null
              ? '.'
              : `; ${timeText(time.withScore)} (correlation ${figureText(time.withScore)}).`}
          </p>
        )}
        {sections && (
          <div className="scroll-x">
            <RowsTable
              rows={sections.titles.map((title, i) => ({ title, i }))}
              keyOf={({ i }) => String(i)}
              columns={[
                { head: 'Sections go together', cell: ({ title }) => title },
                ...sections.titles.map((title, j) => ({
                  head: title,
                  figure: true,
                  cell: ({ i }: { i: number }) => (i === j ? '' : figureText(sections.correlations[i]?.[j] ?? null)),
                })),
              ]}
            />
          </div>
        )}
        {earlier.length > 0 && (
          <p className="mb-0">
            The same exam:{' '}
            {earlier.map(({ sitting: other, title, opensAt, persons, mean }, i) => (
              <span key={other}>
                {i > 0 && '; '}
                <Link href={`/sittings/${other}/analysis`}>
                  {title}, {dayOnly(opensAt)}
                </Link>{' '}
                mean {mean.toFixed(1)} % of {persons}
              </span>
            ))}
            .
          </p>
        )}
      </section>
      <Groups sitting={sitting} deeper={deeper} />
      <Scale scale={scale} />
      <LinkedScales linked={deeper.linked} />
      <section className="sheet plain" aria-labelledby="alike">
        <h2 id="alike" className="fs-6 fw-bold">
          The same wrong answers
        </h2>
        {alike === null ? (
          <p className="mb-0">There are too many scripts to compare every two of them.</p>
        ) : alike.length === 0 ? (
          <p className="mb-0">No two scripts share more wrong answers than answering on one’s own explains.</p>
        ) : (
          <>
            {alike.map(({ who, bothWrong, same, expected }) => (
              <p key={who.map(({ attempt }) => attempt).join(' ')} className="mb-1">
                {who.map(({ attempt, name }, i) => (
                  <span key={attempt}>
                    {i > 0 && ' and '}
                    <Link href={`/results/${attempt}`}>{name}</Link>
                  </span>
                ))}
                : {same} of {bothWrong} wrong answers are the same; of so many pairs,{' '}
                {expected < 0.001 ? 'under 0.001' : expected.toFixed(3)} such would come by chance.
              </p>
            ))}
            <p className="soft mb-0">
              A hint to look, no verdict: who learned together errs together, and common slips are common.
            </p>
          </>
        )}
      </section>
    </>
  );
}

function timeText(withScore: number): string {
  if (Math.abs(withScore) < 0.2) return 'who took longer has hardly more or less';
  return withScore > 0 ? 'who took longer has more' : 'who took longer has less';
}

function Groups({ sitting, deeper: { groupings, grouped } }: { sitting: string; deeper: Deeper }) {
  const router = useRouter();
  return (
    <section className="sheet plain" aria-labelledby="groups">
      <h2 id="groups" className="fs-6 fw-bold">
        Two groups compared
      </h2>
      {groupings.length === 0 ? (
        <p className="mb-0">
          Subjects and groups of the course, or extra time, part these scripts where ten or more stand on either side.
        </p>
      ) : (
        <>
          <select
            className="form-select w-auto mb-2"
            aria-label="Group"
            value={grouped?.id ?? ''}
            onChange={(e) =>
              router.replace(`/sittings/${sitting}/analysis?group=${encodeURIComponent(e.target.value)}#groups`, {
                scroll: false,
              })
            }
          >
            <option value="">choose a group…</option>
            {groupings.map(({ id, name }) => (
              <option key={id} value={id}>
                {name} against all others
              </option>
            ))}
          </select>
          {grouped && <Compared grouped={grouped} />}
        </>
      )}
    </section>
  );
}

function Compared({ grouped: { name, sizes, means, apart, differing, compared } }: { grouped: Grouped }) {
  const sure = apart && (apart.interval[0] > 0 || apart.interval[1] < 0);
  return (
    <>
      <p className="mb-1">
        {name}: {plural(sizes[0], 'script')}, mean {means[0].toFixed(1)} %. All others: {sizes[1]}, mean{' '}
        {means[1].toFixed(1)} %.{' '}
        {apart &&
          (sure
            ? `That is a ${sizeOfEffect(apart.effect) === 'none' ? 'very small' : sizeOfEffect(apart.effect)} difference`
            : 'Chance alone can make such a difference')}
        {apart &&
          `: ${figureText(apart.effect)} standard deviations, between ${figureText(apart.interval[0])} and ${figureText(apart.interval[1])}.`}
      </p>
      {differing.length === 0 ? (
        <p className="mb-0">
          Of {plural(compared, 'question')} that could be compared, none is answered differently by students with the
          same score.
        </p>
      ) : (
        <RowsTable
          rows={differing}
          keyOf={({ item }) => item}
          columns={[
            { head: 'Question', cell: ({ number, label }) => `${number}. ${label}` },
            {
              head: 'With the same score',
              cell: ({ delta, size }) => (
                <span className={size === 'C' ? 'hand' : ''}>
                  {size === 'C' ? 'much' : 'somewhat'} {delta < 0 ? 'easier' : 'harder'} for {name} ({size})
                </span>
              ),
            },
            {
              head: 'Δ',
              figure: true,
              cell: ({ delta }) => (Number.isFinite(delta) ? figureText(-delta) : delta < 0 ? '∞' : '−∞'),
            },
            {
              head: 'Odds',
              figure: true,
              cell: ({ oddsRatio }) => (Number.isFinite(oddsRatio) ? oddsRatio.toFixed(2) : '∞'),
            },
            { head: 'By chance', figure: true, cell: ({ chance }) => percentText(chance) },
          ]}
        />
      )}
      <p className="soft mb-0">
        By Mantel and Haenszel, in five bands of score, with the usual classes: B from 1, C from 1.5 on (Δ below 0 where
        it is harder). A question can differ for good reasons; look at what it asks for besides what it is about.
      </p>
    </>
  );
}

function Scale({ scale }: { scale: OnScale }) {
  if (scale.is !== 'found')
    return (
      <section className="sheet plain" aria-labelledby="scale">
        <h2 id="scale" className="fs-6 fw-bold">
          Difficulty on one scale
        </h2>
        <p className="mb-0">
          {scale.is === 'few-persons'
            ? `It takes ${scale.least} scripts to say how hard questions are by themselves; there are ${scale.persons}.`
            : scale.is === 'few-questions'
              ? `It takes ${scale.least} questions that everybody met and not all had alike; there are ${scale.questions}.`
              : 'These answers do not fit one scale well enough to be put on it.'}
        </p>
      </section>
    );
  const { items, persons } = scale;
  const odd = (fit: number): string => (fit > 1.3 || fit < 0.7 ? 'hand' : '');
  return (
    <section className="sheet plain" aria-labelledby="scale">
      <h2 id="scale" className="fs-6 fw-bold">
        Difficulty on one scale
      </h2>
      <p className="soft">
        The Rasch model, of {plural(persons, 'script')} with something and not all right; a question is right where half
        of its marks or more were earned. In logits: one more, and the odds of being right are 2.7 times less. Fit near
        1 is as the model has it; above 1.3 a question is answered less predictably, below 0.7 more than it should.
      </p>
      <ChartFrame
        title="Students and questions"
        table={[
          ['Question', 'Difficulty', 'Error', 'Infit', 'Outfit'],
          ...items.map(({ number, label, difficulty, error, infit, outfit }) => [
            `${number}. ${label}`,
            difficulty,
            error,
            infit,
            outfit,
          ]),
        ]}
      >
        <DifficultyMap scale={scale} />
      </ChartFrame>
      <div className="scroll-x mt-2">
        <RowsTable
          rows={items.toSorted((a, b) => b.difficulty - a.difficulty)}
          keyOf={({ item }) => item}
          columns={[
            { head: 'Question, hardest first', cell: ({ number, label }) => `${number}. ${label}` },
            { head: 'Difficulty', figure: true, cell: ({ difficulty }) => figureText(difficulty) },
            { head: '±', figure: true, cell: ({ error }) => error.toFixed(2) },
            {
              head: 'Infit',
              figure: true,
              cell: ({ infit }) => <span className={odd(infit)}>{infit.toFixed(2)}</span>,
            },
            {
              head: 'Outfit',
              figure: true,
              cell: ({ outfit }) => <span className={odd(outfit)}>{outfit.toFixed(2)}</span>,
            },
          ]}
        />
      </div>
    </section>
  );
}
