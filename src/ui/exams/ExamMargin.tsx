'use client';
import { Link } from '../parts/Link';
import { sectionLetter } from '@/core/exams/numbering';
import type { ExamPlan } from '@/core/exams/plan';
import type { ExamView } from '@/server/exams/exam-view';
import type { OpenExam } from '@/server/exams/exams';
import { marksWords, plural } from '../words/marks';
import { dayAndTime } from '../words/time';
import { findingText } from '../words/findings';
import { wordsWith } from '../words/student-words';
import { CheckLine } from '../parts/CheckLine';
import { PracticeWords } from './PracticeWords';
import { SeesTable } from './SeesTable';
import { FormulaSheet } from './FormulaSheet';
import { GlossesInput } from './GlossesInput';
import { NumberWord } from '../parts/NumberWord';
import { WordsOnScreens } from './WordsOnScreens';

interface Props {
  exam: OpenExam;
  zone: string;
  plan: ExamPlan;
  view: ExamView;
  change: (next: (plan: ExamPlan) => ExamPlan, tag?: string) => void;
}

/** Beside the plan: what is not ready and why, and how it runs in sentences whose words can be changed. */
export function ExamMargin({ exam, zone, plan, view, change }: Props) {
  const stops = view.findings.filter((f) => f.weight === 'stops');
  const numberOf = (f: (typeof view.findings)[number]): string =>
    f.at[0] === 'item' && f.values?.number ? `${f.values.number} ` : '';
  return (
    <aside className="margin" aria-label="Readiness and how it runs">
      <h2>Readiness</h2>
      <div
        className={`note on ${stops.length > 0 ? 'red' : view.findings.length > 0 ? 'warn' : 'tick'}`}
        aria-live="polite"
      >
        <h3 className={view.ready < view.questions ? 'wrong' : view.questions > 0 ? 'good' : 'soft'}>
          {view.ready} of {view.questions} questions ready
        </h3>
        {view.sets.length > 1 &&
          view.sets.map(({ without, people, marks }) => (
            <p key={without.join()} className="soft">
              {plural(people, 'student')}:{' '}
              {plan.sections.flatMap(({ id }, i) => (without.includes(id) ? [] : [sectionLetter(i)])).join(', ') ||
                'nothing'}
              , {marksWords(marks)}
            </p>
          ))}
        {view.findings.map((f, i) => (
          <p key={i}>
            <strong>{numberOf(f)}</strong>
            {f.weight === 'stops' ? <span className="wrong">✗ </span> : <span className="hand">! </span>}
            {findingText(f)}
          </p>
        ))}
        {view.findings.every((f) => f.code !== 'too-little-time') && (
          <p className="soft">
            About {view.minutes} min of work for {plan.minutes} min.
          </p>
        )}
      </div>
      <div className="note">
        <h3>How it runs</h3>
        <div className="fact-line">
          <NumberWord
            label="Minutes"
            value={String(plan.minutes)}
            least={1}
            most={1440}
            onChange={(minutes) => change((p) => ({ ...p, minutes: Number(minutes) }), 'minutes')}
          />{' '}
          minutes,
          <select
            className="form-select"
            aria-label="How one moves"
            value={plan.moves}
            onChange={(e) => change((p) => ({ ...p, moves: e.target.value as ExamPlan['moves'] }))}
          >
            <option value="free">free to move</option>
            <option value="forward">forward only</option>
          </select>
          <select
            className="form-select"
            aria-label="Pages"
            value={plan.pages}
            onChange={(e) => change((p) => ({ ...p, pages: e.target.value as ExamPlan['pages'] }))}
          >
            <option value="question">one question at a time</option>
            <option value="section">a section on one page</option>
            <option value="whole">all on one page</option>
          </select>
          <span className="w-100 fact-line">
            the sheet is
            <select
              className="form-select"
              aria-label="Look of the sheet"
              value={plan.young ? (plan.young.clock ? 'young-clock' : 'young') : 'standard'}
              onChange={(e) => {
                const young = e.target.value === 'standard' ? undefined : { clock: e.target.value === 'young-clock' };
                change((p) => ({ ...p, young }));
              }}
            >
              <option value="standard">as for everybody</option>
              <option value="young">large and spoken, without a clock</option>
              <option value="young-clock">large and spoken, with a clock</option>
            </select>
          </span>
          <CheckLine checked={plan.confirmHandIn} onChange={(on) => change((p) => ({ ...p, confirmHandIn: on }))}>
            asked again before handing in
          </CheckLine>
          <span className="w-100 fact-line">
            numbered
            <select
              className="form-select"
              aria-label="Numbers of the questions"
              value={plan.numbering}
              onChange={(e) => change((p) => ({ ...p, numbering: e.target.value as ExamPlan['numbering'] }))}
            >
              <option value="through">through all sections</option>
              <option value="anew">anew in each section</option>
              <option value="lettered">with the section’s letter</option>
            </select>
          </span>
          <CheckLine checked={plan.keepPassages} onChange={(on) => change((p) => ({ ...p, keepPassages: on }))}>
            what is asked about one passage stays together
          </CheckLine>
          <span className="w-100 fact-line">
            <select
              className="form-select"
              aria-label="Calculator"
              value={plan.calculator ?? ''}
              onChange={(e) =>
                change((p) => ({ ...p, calculator: (e.target.value || undefined) as ExamPlan['calculator'] }))
              }
            >
              <option value="">no calculator</option>
              <option value="standard">a calculator</option>
              <option value="scientific">a scientific calculator</option>
            </select>
            stands in the room
          </span>
          <FormulaSheet
            formulas={plan.formulas}
            onChange={(formulas, tag) => change((p) => ({ ...p, formulas }), tag)}
          />
          <CheckLine checked={plan.hints} onChange={(on) => change((p) => ({ ...p, hints: on }))}>
            hints can be asked for
          </CheckLine>
          <PracticeWords practice={plan.practice} onChange={(practice) => change((p) => ({ ...p, practice }))} />
          <span className="w-100 fact-line">
            what wrong parts take back
            <select
              className="form-select"
              aria-label="How far deductions go"
              value={plan.belowZero ? 'below' : 'zero'}
              onChange={(e) => change((p) => ({ ...p, belowZero: e.target.value === 'below' }))}
            >
              <option value="zero">ends at zero in each answer</option>
              <option value="below">can cost marks of other questions</option>
            </select>
          </span>
        </div>
        <GlossesInput glosses={plan.glosses ?? []} onChange={(glosses) => change((p) => ({ ...p, glosses }))} />
        <WordsOnScreens
          words={plan.words ?? {}}
          otherwise={wordsWith(exam.agreed.words)}
          onChange={(words) => change((p) => ({ ...p, words }))}
        />
      </div>
      <div className="note red">
        <h3>Pass mark</h3>
        <div className="fact-line">
          pass at
          <NumberWord
            label="Pass mark in percent"
            value={plan.passPercent}
            least={0}
            most={100}
            decimals
            onChange={(passPercent) => change((p) => ({ ...p, passPercent }), 'pass')}
          />{' '}
          % of the whole
          {plan.sections.length > 1 &&
            plan.sections.map((s, i) => (
              <span key={s.id} className="w-100 fact-line">
                and in {sectionLetter(i)}
                <NumberWord
                  label={`Pass mark of section ${sectionLetter(i)} in percent`}
                  value={s.passPercent ?? ''}
                  least={0}
                  most={100}
                  decimals
                  optional
                  onChange={(percent) =>
                    change(
                      (p) => ({
                        ...p,
                        sections: p.sections.map((x) =>
                          x.id === s.id ? { ...x, passPercent: percent === '' ? null : percent } : x,
                        ),
                      }),
                      `pass ${s.id}`,
                    )
                  }
                />{' '}
                % {s.passPercent === null && <span className="soft">(not asked)</span>}
              </span>
            ))}
        </div>
      </div>
      <div className="note">
        <h3>What they see, and when</h3>
        <SeesTable sees={plan.sees} onChange={(sees) => change((p) => ({ ...p, sees }))} />
        <p>
          Score, grade and what their range of scores reads come with the release. Ranges and grade scale are the{' '}
          <Link href="/department#grades">department’s</Link>, until you change them for a sitting:
        </p>
        {exam.sittings.map((s) => (
          <p key={s.id}>
            <Link href={`/sittings/${s.id}/results`}>feedback ranges and grades, {dayAndTime(s.opensAt, zone)}</Link>
          </p>
        ))}
        {exam.sittings.length === 0 && <p className="soft">It is not scheduled yet.</p>}
      </div>
    </aside>
  );
}
