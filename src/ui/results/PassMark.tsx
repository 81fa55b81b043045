'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { callPanelAction, nextRoundAction } from '@/actions/pass-marks';
import { exact, shown } from '@/core/base/exact';
import type { PanelView, PassMarkView } from '@/server/results/panels';
import { Strip } from '../frame/Strip';
import { RowsTable } from '../parts/RowsTable';
import { Trouble } from '../parts/Trouble';
import { plural } from '../words/marks';
import { cutsOf, FIGURES_WORDS, type FoundCut, METHODS, percentOne } from '../words/pass-marks';
import { refusalText } from '../words/refusals';
import { dayAndTime } from '../words/time';
import { AskJudges } from './AskJudges';
import { passes } from './outcome';
import { SetPassMark } from './SetPassMark';
import { replyTo } from '../parts/reply-to';

/** Where the pass mark of a sitting comes from: judges, what they come to, what it would do, and each change with its reason. */
export function PassMark({ view }: { view: PassMarkView }) {
  const { results, panels, able, history } = view;
  const [setting, setSetting] = useState<{ percent: string; basis: string } | null>(null);
  const [asking, setAsking] = useState<PanelView | 'new' | null>(null);
  const standing = results.boundaries.passPercent;
  return (
    <>
      <Strip
        where={{ href: `/sittings/${results.sitting}/results`, name: `${results.title}, results` }}
        title="Pass mark"
        chip={`${shown(exact(standing), 3)} %`}
      >
        <Button variant="outline-primary" aria-haspopup="dialog" onClick={() => setAsking('new')}>
          Ask judges…
        </Button>
        <Button aria-haspopup="dialog" onClick={() => setSetting({ percent: standing, basis: '' })}>
          Set it…
        </Button>
      </Strip>
      <div className="page">
        {panels.length === 0 && (
          <div className="sheet plain">
            <p className="fs-5 mb-1">Nobody has been asked where the pass mark belongs.</p>
            <p className="mb-0">
              Ask colleagues to judge the questions or the scripts, each on a page of their own. What they come to, how
              sure it is and what it does to these students then stands here.
            </p>
          </div>
        )}
        {panels.map((panel) => (
          <PanelSheet
            key={panel.id}
            panel={panel}
            view={view}
            onTake={(cut) => setSetting({ percent: cut.cut.toFixed(1), basis: basisText(panel, cut) })}
            onChange={() => setAsking(panel)}
          />
        ))}
        {history.length > 0 && (
          <div className="list-sheet scroll-x">
            <h2 className="fs-6 fw-bold mt-2">How it came to be</h2>
            <RowsTable
              rows={history}
              keyOf={({ id }) => String(id)}
              columns={[
                { head: 'When', cell: ({ at }) => dayAndTime(at) },
                { head: 'From', figure: true, cell: ({ before }) => `${before} %` },
                { head: 'To', figure: true, cell: ({ after }) => `${after} %` },
                { head: 'By', cell: ({ by }) => by },
                {
                  head: 'Why',
                  cell: ({ basis, reason }) => (
                    <>
                      {reason}
                      {basis && <span className="soft d-block">{basis}</span>}
                    </>
                  ),
                },
              ]}
            />
          </div>
        )}
      </div>
      {setting && <SetPassMark results={results} {...setting} onClose={() => setSetting(null)} />}
      {asking && (
        <AskJudges
          able={able}
          standing={asking === 'new' ? null : asking}
          taken={panels.map(({ method }) => method)}
          ask={(input) => callPanelAction({ sitting: results.sitting, ...input })}
          onClose={() => setAsking(null)}
        />
      )}
    </>
  );
}

/** What a pass mark comes of, as it is kept with it. */
function basisText(panel: PanelView, { name, cut, error }: FoundCut): string {
  const done = panel.judges.filter((judge) => judge.done).map((judge) => judge.name);
  const sure = error === null ? '' : ` ± ${error.toFixed(1)}`;
  return `${METHODS[panel.method].name}, round ${panel.round}, ${name}: ${cut.toFixed(2)}${sure} %. Judges: ${done.join(', ')}.`;
}

interface SheetProps {
  panel: PanelView;
  view: PassMarkView;
  onTake: (cut: FoundCut) => void;
  onChange: () => void;
}

function PanelSheet({ panel, view: { results }, onTake, onChange }: SheetProps) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { method, round, judges, outcome, figures } = panel;
  const done = judges.filter((judge) => judge.done).length;
  const cuts = outcome ? cutsOf(outcome) : [];
  const passing = (percent: number): number =>
    results.rows.filter((row) => passes(row, results, String(Math.min(100, Math.max(0, percent)).toFixed(3)))).length;
  const next = async (): Promise<void> => {
    setBusy(true);
    const result = await replyTo(nextRoundAction(panel.id));
    setBusy(false);
    setTrouble(result.ok ? null : refusalText(result.refusal));
  };
  return (
    <section className="sheet plain mb-3" aria-label={METHODS[method].name}>
      <div className="d-flex gap-2 align-items-baseline flex-wrap mb-2">
        <h2 className="fs-5 fw-bold mb-0">Judged {METHODS[method].name}</h2>
        <span className="soft me-auto">
          {method === 'angoff' || method === 'ebel' ? `round ${round}, ${FIGURES_WORDS[figures]}` : ''}
        </span>
        <Button variant="quiet" aria-haspopup="dialog" onClick={onChange}>
          Judges…
        </Button>
        {(method === 'angoff' || method === 'ebel') && (
          <Button variant="outline-primary" disabled={done === 0 || busy} onClick={next}>
            Begin round {round + 1}
          </Button>
        )}
      </div>
      <ul className="list-unstyled d-flex flex-wrap column-gap-4 mb-2">
        {judges.map((judge) => (
          <li key={judge.id}>
            {judge.name}{' '}
            {judge.done ? (
              <span className="good">✓ {judge.cut === null ? 'done' : percentOne(judge.cut)}</span>
            ) : (
              <span className="hand">
                {judge.missing < 0
                  ? 'has not begun'
                  : judge.missing === 0
                    ? 'has not said that this is all'
                    : `${plural(judge.missing, 'answer')} to go`}
              </span>
            )}
          </li>
        ))}
      </ul>
      {cuts.length === 0 ? (
        <p className="soft mb-0">What they come to stands here once a judge is done.</p>
      ) : (
        <RowsTable
          rows={cuts}
          keyOf={({ name }) => name}
          columns={[
            { head: 'From', cell: ({ name }) => name },
            {
              head: 'Pass mark',
              figure: true,
              cell: ({ cut, error }) => (
                <>
                  <strong>{percentOne(cut)}</strong>
                  {error !== null && <span className="soft"> ± {error.toFixed(1)}</span>}
                </>
              ),
            },
            {
              head: 'Would pass',
              cell: ({ cut, error }) =>
                results.rows.length === 0
                  ? ''
                  : `${passing(cut)} of ${results.rows.length}${
                      error === null ? '' : `; ${passing(cut - error)} one error lower, ${passing(cut + error)} higher`
                    }`,
            },
            { head: 'To know', cell: ({ note }) => <span className="soft">{note}</span> },
            {
              head: 'Take it',
              headless: true,
              cell: (cut) => (
                <Button variant="outline-primary" size="sm" aria-haspopup="dialog" onClick={() => onTake(cut)}>
                  Take it…
                </Button>
              ),
            },
          ]}
        />
      )}
      <Trouble>{trouble}</Trouble>
    </section>
  );
}
