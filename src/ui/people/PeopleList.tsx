'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { resetPasswordAction } from '@/actions/department';
import type { MemberRow } from '@/server/people/members';
import { FindField } from '../parts/FindField';
import { Trouble } from '../parts/Trouble';
import { useAct } from '../parts/use-act';
import { provisionText } from '../words/provision';
import { type GivenPassword, GivenPasswords } from './GivenPasswords';
import { MemberDialog } from './MemberDialog';
import { ProvisionDialog } from './ProvisionDialog';

interface Props {
  members: MemberRow[];
  mayManage: boolean;
  mayProvide: boolean;
  /** The department's time zone. */
  zone: string;
}

/** Everybody of the department with what they are entitled to; the lead takes people in and gives new passwords. */
export function PeopleList({ members, mayManage, mayProvide, zone }: Props) {
  const [words, setWords] = useState('');
  const [given, setGiven] = useState<readonly GivenPassword[]>([]);
  const [providing, setProviding] = useState<string | null>(null);
  const forWhom = members.find(({ id }) => id === providing);
  const [keeping, setKeeping] = useState<MemberRow | 'new' | null>(null);
  const [replacing, setReplacing] = useState<string | null>(null);
  const typed = words.trim().toLowerCase();
  const shown = members.filter((m) => `${m.name} ${m.userName} ${m.role}`.toLowerCase().includes(typed));
  /** The last one that somebody was given is the one that holds. */
  const give = (one: GivenPassword): void =>
    setGiven((all) => [one, ...all.filter(({ userName }) => userName !== one.userName)]);
  const { busy, act, troubleBeside } = useAct();
  const newPassword = ({ id, name, userName }: MemberRow) =>
    act(
      () => resetPasswordAction(id),
      ({ password }) => {
        setReplacing(null);
        give({ name, userName, password });
      },
    );
  return (
    <>
      <div className="d-flex gap-2 mb-2">
        <FindField words="Find a person" value={words} onChange={setWords} />
        {mayManage && (
          <Button
            variant="outline-primary"
            className="text-nowrap"
            aria-haspopup="dialog"
            onClick={() => setKeeping('new')}
          >
            Somebody new…
          </Button>
        )}
      </div>
      <GivenPasswords given={given} />
      <Trouble>{troubleBeside([])}</Trouble>
      <div className="list-sheet scroll-x">
        <table className="rows people">
          <thead>
            <tr>
              <th scope="col">Name</th>
              <th scope="col">User name</th>
              <th scope="col">Role</th>
              {mayProvide && <th scope="col">Provision</th>}
              {mayManage && <th scope="col">Password</th>}
            </tr>
          </thead>
          <tbody>
            {shown.map((m) => (
              <tr key={m.id} id={m.id}>
                <td dir="auto">
                  {mayManage ? (
                    <button
                      type="button"
                      className="btn-link-plain"
                      aria-haspopup="dialog"
                      aria-label={`${m.name}: change…`}
                      onClick={() => setKeeping(m)}
                    >
                      {m.name}
                    </button>
                  ) : (
                    m.name
                  )}
                </td>
                <td className="mono">{m.userName}</td>
                <td>
                  {m.role}
                  {m.closed && <small className="soft">, closed</small>}
                </td>
                {mayProvide && (
                  <td>
                    {m.role === 'student' && (
                      <Button
                        variant="quiet"
                        className={m.provision ? '' : 'soft fw-normal'}
                        aria-haspopup="dialog"
                        aria-label={`Provision of ${m.name}: ${provided(m, zone)}`}
                        onClick={() => setProviding(m.id)}
                      >
                        {provided(m, zone)}
                      </Button>
                    )}
                    {m.provision?.reason && <small className="soft">{m.provision.reason}</small>}
                  </td>
                )}
                {mayManage && (
                  <td>
                    {replacing === m.id ? (
                      <>
                        <span className="hand">The old one ends, and so do their sessions.</span>{' '}
                        <Button variant="outline-primary" disabled={busy} onClick={() => void newPassword(m)}>
                          Replace it
                        </Button>{' '}
                        <Button variant="quiet" onClick={() => setReplacing(null)}>
                          Cancel
                        </Button>
                      </>
                    ) : (
                      <Button
                        variant="quiet"
                        aria-label={`New password for ${m.name}…`}
                        onClick={() => setReplacing(m.id)}
                      >
                        New password…
                      </Button>
                    )}
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {forWhom && <ProvisionDialog member={forWhom} zone={zone} onClose={() => setProviding(null)} />}
      {keeping && (
        <MemberDialog member={keeping === 'new' ? null : keeping} onGiven={give} onClose={() => setKeeping(null)} />
      )}
    </>
  );
}

const provided = ({ provision }: MemberRow, zone: string): string =>
  `${provision ? provisionText(provision, zone) : 'none'}…`;
