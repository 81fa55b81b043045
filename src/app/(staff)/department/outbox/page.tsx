import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openOutbox } from '@/server/mail/outbox';
import { departmentZone } from '@/server/people/zone';
import { Strip } from '@/ui/frame/Strip';
import { plural } from '@/ui/words/marks';
import { dayAndTime } from '@/ui/words/time';

export const metadata: Metadata = { title: 'Outbox' };

const STATES = { waiting: 'waits', sending: 'is being sent', sent: 'sent', failed: 'could not be sent' };

export default async function OutboxPage() {
  const outbox = await openOutbox(await staffContext());
  if (!outbox.ok) redirect('/');
  const { rows, kept } = outbox.value;
  const zone = departmentZone();
  return (
    <>
      <Strip
        where={{ href: '/department', name: 'Department' }}
        title="Outbox"
        state={plural(rows.length, 'message')}
      />
      <div className="page">
        {kept && (
          <p className="advice">
            No mail server is set, so messages are carried nowhere: they stay here. Whoever keeps the installation sets
            one with ZONDA_SMTP.
          </p>
        )}
        <div className="list-sheet">
          {rows.length === 0 && (
            <p className="soft p-3 mb-0">Nothing was written yet. A sitting’s page writes to its students.</p>
          )}
          {rows.map(({ id, name, to, subject, text, state, writtenAt }) => (
            <details key={id} className="outbox-row">
              <summary>
                <strong dir="auto">{subject}</strong> <span dir="auto">{name}</span>{' '}
                <span className="mono soft">{to}</span>
                <span className={state === 'failed' ? 'wrong' : state === 'sent' ? 'good' : 'hand'}>
                  {kept && state === 'sent' ? 'kept here' : STATES[state]}
                </span>
                <span className="soft">{dayAndTime(writtenAt, zone)}</span>
              </summary>
              <p dir="auto">{text}</p>
            </details>
          ))}
        </div>
      </div>
    </>
  );
}
