'use client';
import { useState } from 'react';
import { setPolicyAction } from '@/actions/department';
import { ROUNDING_MODES, type RoundingMode } from '@/core/base/exact';
import type { DepartmentPolicy } from '@/server/people/policy';
import { PercentInput } from '../parts/PercentInput';
import { PLAIN_WORDS } from '../words/student-words';
import { refusalText } from '../words/refusals';
import { Trouble } from '../parts/Trouble';
import { CheckLine } from '../parts/CheckLine';
import { WordsOnScreens } from '../exams/WordsOnScreens';
import { LateRuleWords } from '../sittings/LateRuleWords';
import { replyTo } from '../parts/reply-to';

const MODES: Record<RoundingMode, string> = {
  half_up: 'halves up',
  half_even: 'halves to the even digit',
  half_down: 'halves down',
  floor: 'always down',
  ceiling: 'always up',
  toward_zero: 'cut off',
};

/** What the department has agreed on, as sentences; the lead changes the words. New exams start from it. */
export function PolicyNotes({ policy, mayChange }: { policy: DepartmentPolicy; mayChange: boolean }) {
  const [present, setPresent] = useState(policy);
  const [trouble, setTrouble] = useState<string | null>(null);
  const change = async (part: Partial<DepartmentPolicy>): Promise<void> => {
    const next = { ...present, ...part };
    setPresent(next);
    const result = await replyTo(setPolicyAction(next));
    setTrouble(result.ok ? null : refusalText(result.refusal));
  };
  const { rounding } = present;
  return (
    <aside className="margin" aria-label="Policy">
      <h2>Policy, for new exams</h2>
      <fieldset disabled={!mayChange}>
        <div className="note red">
          <h3>Pass mark</h3>
          <PercentInput
            label="Pass mark of the department"
            value={present.passPercent}
            onChange={(passPercent) => change({ passPercent })}
          />
        </div>
        <div className="note">
          <h3>Rounding</h3>
          <div className="fact-line">
            shown to
            <select
              className="form-select"
              aria-label="Decimal places"
              value={rounding.places}
              onChange={(e) => change({ rounding: { ...rounding, places: Number(e.target.value) } })}
            >
              {[0, 1, 2].map((n) => (
                <option key={n} value={n}>
                  {n === 0 ? 'whole percents' : `${n} decimal${n === 1 ? '' : 's'}`}
                </option>
              ))}
            </select>
            ,
            <select
              className="form-select"
              aria-label="Rounding"
              value={rounding.mode}
              onChange={(e) => change({ rounding: { ...rounding, mode: e.target.value as RoundingMode } })}
            >
              {ROUNDING_MODES.map((mode) => (
                <option key={mode} value={mode}>
                  {MODES[mode]}
                </option>
              ))}
            </select>
            ; pass and grade are decided
            <select
              className="form-select"
              aria-label="Decided on"
              value={rounding.first ? 'rounded' : 'exact'}
              onChange={(e) => change({ rounding: { ...rounding, first: e.target.value === 'rounded' } })}
            >
              <option value="exact">on exact scores</option>
              <option value="rounded">after rounding</option>
            </select>
          </div>
        </div>
        <div className="note">
          <h3>Marking</h3>
          <CheckLine checked={present.namesHidden} onChange={(on) => change({ namesHidden: on })}>
            names hidden while marking
          </CheckLine>
        </div>
        <div className="note">
          <h3>Students</h3>
          <div className="fact-line late-rule">
            handed in after a due time <LateRuleWords late={present.late} onChange={(late) => change({ late })} />
          </div>
          <WordsOnScreens words={present.words} otherwise={PLAIN_WORDS} onChange={(words) => change({ words })} />
        </div>
        <div className="note">
          <h3>Mathematics</h3>
          <div className="fact-line">
            in a fresh slot 1/2x is
            <select
              className="form-select"
              aria-label="How 1/2x is read"
              value={present.conventions.tightDenominators ? 'below' : 'left'}
              onChange={(e) =>
                change({ conventions: { ...present.conventions, tightDenominators: e.target.value === 'below' } })
              }
            >
              <option value="left">x/2, from left to right</option>
              <option value="below">1/(2x), all of it below the line</option>
            </select>
            , log is
            <select
              className="form-select"
              aria-label="What log is"
              value={present.conventions.logBase}
              onChange={(e) =>
                change({ conventions: { ...present.conventions, logBase: e.target.value as '10' | 'e' } })
              }
            >
              <option value="10">to base ten</option>
              <option value="e">the natural one</option>
            </select>
            , and 1,5 is
            <select
              className="form-select"
              aria-label="What 1,5 is"
              value={present.conventions.decimalComma ? 'number' : 'list'}
              onChange={(e) =>
                change({ conventions: { ...present.conventions, decimalComma: e.target.value === 'number' } })
              }
            >
              <option value="list">two numbers</option>
              <option value="number">one and a half</option>
            </select>
          </div>
          <p className="soft">Where the other reading would be right, an answer waits for a person in any case.</p>
        </div>
        <div className="note">
          <h3>Pages in sheets</h3>
          <label className="d-block">
            Web pages and simulations may come from
            <HostsInput hosts={present.pages} onChange={(pages) => change({ pages })} />
          </label>
        </div>
      </fieldset>
      <div className="note">
        <h3 id="grades">Grade scale</h3>
        <p>
          {[...present.grades]
            .reverse()
            .map((g) => `${g.grade} ${g.from} %`)
            .join(' · ')}
        </p>
      </div>
      <Trouble>{trouble}</Trouble>
    </aside>
  );
}

/** Hosts, typed one behind the other; kept when the field is left. */
function HostsInput({ hosts, onChange }: { hosts: string[]; onChange: (hosts: string[]) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <input
      className="form-control form-control-sm"
      placeholder="example.org, example.net"
      value={typed ?? hosts.join(', ')}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={() => {
        if (typed !== null) onChange(typed.split(/[,\s]+/).filter((host) => host !== ''));
        setTyped(null);
      }}
    />
  );
}
