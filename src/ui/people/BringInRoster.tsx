'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { bringInRosterAction } from '@/actions/department';
import type { Result } from '@/core/base/result';
import {
  guessable,
  guessColumns,
  type KnownPerson,
  readRoster,
  type RosterMapping,
  USER_NAME_RECIPES,
  type UserNameRecipe,
} from '@/core/people/roster-rows';
import type { BroughtRoster } from '@/server/people/bring-in-roster';
import { Strip } from '../frame/Strip';
import { CheckLine } from '../parts/CheckLine';
import { Trouble } from '../parts/Trouble';
import { badRowText } from '../words/bad-rows';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { RosterColumnsTable } from './RosterColumnsTable';
import { SlipsOnce } from './SlipsOnce';
import { replyTo } from '../parts/reply-to';

interface Props {
  course: { id: string; name: string };
  /** Everybody of the department, to see who is known. */
  known: KnownPerson[];
}

const RECIPE_WORDS: Record<UserNameRecipe, string> = {
  'first-initial': 'first name and a letter: aino.v',
  'first-last': 'both names: aino.virtala',
  'initial-last': 'a letter and the last name: avirtala',
  numbered: 'a number: student1',
};

interface Read {
  rows: string[][];
  mapping: RosterMapping;
}

/** Students from a file: what each column says is seen and changed, every bad row is told, then all come in or nothing. */
export function BringInRoster({ course, known }: Props) {
  const [read, setRead] = useState<Read | null>(null);
  const [leaveBadOut, setLeaveBadOut] = useState(false);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [done, setDone] = useState<BroughtRoster | null>(null);
  const choose = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setBusy(true);
    setTrouble(null);
    setRead(null);
    try {
      const search = new URLSearchParams({ course: course.id, name: file.name });
      const response = await fetch(`/api/roster?${search}`, { method: 'POST', body: file });
      const result = (await response.json()) as Result<string[][]>;
      if (result.ok) setRead({ rows: result.value, mapping: guessColumns(result.value) });
      else setTrouble(refusalText(result.refusal));
    } catch {
      setTrouble('The file could not be sent. Look at the connection and choose it again.');
    }
    setBusy(false);
  };
  const bringIn = async (): Promise<void> => {
    if (!read) return;
    setBusy(true);
    const result = await replyTo(bringInRosterAction({ course: course.id, ...read, leaveBadOut }));
    setBusy(false);
    setTrouble(result.ok ? null : refusalText(result.refusal));
    if (result.ok) setDone(result.value);
  };
  const strip = (
    <Strip where={{ href: `/department/courses/${course.id}`, name: course.name }} title="Bring in students" />
  );
  if (done)
    return (
      <>
        {strip}
        <SlipsOnce course={course} brought={done} />
      </>
    );
  const found = read && readRoster(read.rows, read.mapping, known);
  const fresh = found?.people.filter((one) => one.known === null) ?? [];
  const easy = guessable(fresh);
  return (
    <>
      {strip}
      <div className="split with-margin">
        <div className="sheet plain">
          <label className="form-label" htmlFor="roster-file">
            A workbook (XLSX), CSV, or an OneRoster package
          </label>
          <input
            id="roster-file"
            type="file"
            className="form-control mb-2"
            accept=".xlsx,.csv,.tsv,.txt,.zip"
            disabled={busy}
            onChange={(e) => void choose(e.target.files?.[0])}
          />
          <Trouble>{trouble}</Trouble>
          {read && (
            <RosterColumnsTable
              rows={read.rows}
              mapping={read.mapping}
              bad={new Map(found?.bad.map((one) => [one.row, badRowText(one)]))}
              onChange={(mapping) => setRead({ ...read, mapping })}
            />
          )}
          {!read && (
            <p className="soft mb-0">
              One row for each student. Say in the next step which column is the name; subjects, group and user name can
              be there, too. User names and first passwords are made for those who have none.
            </p>
          )}
        </div>
        <aside className="margin" aria-label="What will be brought in">
          {found && (
            <>
              <h2>What will be brought in</h2>
              <div className={`note ${found.people.length > 0 ? 'on tick' : ''}`} role="status">
                <p>{plural(fresh.length, 'new student')}, with a user name and a first password each</p>
                <p>{plural(found.people.length - fresh.length, 'student')} of the department, brought up to date</p>
              </div>
              {fresh.length > 0 && (
                <div className="note">
                  <h3>User names</h3>
                  <label className="fact-line">
                    for those without
                    <select
                      className="form-select"
                      value={read.mapping.userNames ?? 'first-initial'}
                      onChange={(e) =>
                        setRead({
                          ...read,
                          mapping: { ...read.mapping, userNames: e.target.value as UserNameRecipe },
                        })
                      }
                    >
                      {USER_NAME_RECIPES.map((recipe) => (
                        <option key={recipe} value={recipe}>
                          {RECIPE_WORDS[recipe]}
                        </option>
                      ))}
                    </select>
                  </label>
                  <p className="soft">
                    {fresh
                      .slice(0, 3)
                      .map(({ userName }) => userName)
                      .join(', ')}
                    {fresh.length > 3 && ' …'}
                  </p>
                </div>
              )}
              {easy > 0 && (
                <p className="advice mb-3">
                  {plural(easy, 'first password')} can be found out by others: whatever holds a name, is a number or a
                  date, or is had by several is soon tried. Where no column says one, a password is made by chance.
                </p>
              )}
              {found.bad.length > 0 && (
                <div className="note red">
                  <h3 className="wrong">{plural(found.bad.length, 'row')} cannot be brought in</h3>
                  {found.bad.slice(0, 20).map((one) => (
                    <p key={one.row}>
                      <strong>Row {one.row}</strong> {badRowText(one)}
                    </p>
                  ))}
                  {found.bad.length > 20 && <p className="soft">and {found.bad.length - 20} more</p>}
                  <CheckLine checked={leaveBadOut} onChange={setLeaveBadOut}>
                    leave them out
                  </CheckLine>
                </div>
              )}
              <Button
                disabled={busy || found.people.length === 0 || (found.bad.length > 0 && !leaveBadOut)}
                onClick={bringIn}
              >
                {busy ? 'Bringing in…' : `Bring in ${plural(found.people.length, 'student')}`}
              </Button>
            </>
          )}
        </aside>
      </div>
    </>
  );
}
