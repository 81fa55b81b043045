import { Link } from '@/ui/parts/Link';
import { OPEN_SEARCH } from '@/core/bank/searching';
import { must } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { searchQuestions } from '@/server/bank/search';
import { listExams } from '@/server/exams/exams';
import { listMarking } from '@/server/marking/list-marking';
import { marksAskedAbout } from '@/server/results/mark-questions';
import { panelsToJudge } from '@/server/results/judge';
import { listSittings } from '@/server/sittings/list-sittings';
import { Strip } from '@/ui/frame/Strip';
import { plural } from '@/ui/words/marks';
import { dayAndTime, fromNow, timeOnly } from '@/ui/words/time';

export default async function TodayPage() {
  const ctx = await staffContext();
  // A marker reads what runs, but has no way in.
  const builds = ctx.actor.role !== 'marker';
  const sittings = must(await listSittings(ctx));
  const running = sittings.filter((s) => s.opensAt <= ctx.now && s.closesAt > ctx.now && s.endedAt === null);
  const next = sittings.filter((s) => s.opensAt > ctx.now).slice(-3);
  const waiting = must(await listMarking(ctx)).filter((t) => t.waiting > 0);
  const unreleased = builds
    ? sittings.filter((s) => s.handedIn > 0 && s.releasedAt === null && s.closesAt <= ctx.now)
    : [];
  const asking = builds ? await marksAskedAbout(ctx) : [];
  const toJudge = await panelsToJudge(ctx);
  const exams = builds ? must(await listExams(ctx)).slice(0, 3) : [];
  const found = builds ? await searchQuestions(ctx, { ...OPEN_SEARCH, from: 0 }) : null;
  const questions = found?.ok ? found.value.found.slice(0, 4) : [];
  return (
    <>
      <Strip title="Today" state={dayAndTime(ctx.now).replace(/,.*$/, '')} />
      <div className="page">
        <div className="sheet plain">
          <div className="today">
            <section aria-labelledby="running">
              <h2 id="running">Running and next</h2>
              <ul>
                {running.map((s) => (
                  <li key={s.id}>
                    {builds ? <Link href={`/sittings/${s.id}`}>{s.title}</Link> : <strong>{s.title}</strong>}
                    <small>
                      {s.course} · until {timeOnly(s.closesAt)} · {s.started - s.handedIn} writing, {s.handedIn} handed
                      in
                    </small>
                  </li>
                ))}
                {next.map((s) => (
                  <li key={s.id}>
                    {builds ? <Link href={`/sittings/${s.id}`}>{s.title}</Link> : <strong>{s.title}</strong>}
                    <small>
                      {s.course} · opens {dayAndTime(s.opensAt)}, {fromNow(s.opensAt, ctx.now)}
                    </small>
                  </li>
                ))}
                {running.length + next.length === 0 && <li className="soft">No sitting is running or scheduled.</li>}
              </ul>
            </section>
            <section aria-labelledby="waits">
              <h2 id="waits">Waits for you</h2>
              <ul>
                {waiting.slice(0, 6).map((t) => (
                  <li key={t.sitting + t.item}>
                    <Link href={`/marking/${t.sitting}/${t.item}`}>{t.label}</Link>
                    <small>
                      {t.title}, question {t.number} · {plural(t.waiting, 'answer waits', 'answers wait')}
                    </small>
                  </li>
                ))}
                {waiting.length > 6 && (
                  <li>
                    <Link href="/marking">{plural(waiting.length - 6, 'more question')} to mark</Link>
                  </li>
                )}
                {asking.map((a) => (
                  <li key={a.attempt}>
                    <Link href={`/results/${a.attempt}`}>
                      {a.by} asks about {plural(a.count, 'mark')}
                    </Link>
                    <small>
                      {a.course} · {a.title}
                    </small>
                  </li>
                ))}
                {toJudge.map((p) => (
                  <li key={p.panel}>
                    <Link href={`/judging/${p.panel}`}>Where the pass mark of {p.title} belongs</Link>
                    <small>{p.course} · your judgement is asked for</small>
                  </li>
                ))}
                {unreleased.map((s) => (
                  <li key={s.id}>
                    <Link href={`/sittings/${s.id}/results`}>{s.title}, results</Link>
                    <small>{s.course} · not released</small>
                  </li>
                ))}
                {waiting.length + unreleased.length + toJudge.length + asking.length === 0 && (
                  <li className="soft">Nothing waits.</li>
                )}
              </ul>
            </section>
            {builds && (
              <section aria-labelledby="last">
                <h2 id="last">Worked on last</h2>
                <ul>
                  {exams.map((e) => (
                    <li key={e.id}>
                      <Link href={`/exams/${e.id}`}>{e.title}</Link>
                      <small>exam · {plural(e.questions, 'question')}</small>
                    </li>
                  ))}
                  {questions.map((q) => (
                    <li key={q.id}>
                      <Link href={`/bank/${q.id}`}>{q.title}</Link>
                      <small>question · {q.topic}</small>
                    </li>
                  ))}
                </ul>
              </section>
            )}
          </div>
        </div>
      </div>
    </>
  );
}
