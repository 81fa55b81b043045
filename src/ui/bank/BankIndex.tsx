'use client';
import { Link } from '../parts/Link';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { KeptSearch } from '@/server/bank/kept-searches';
import type { BankShelf, Goal } from '@/server/bank/shelves';
import { BankSettings } from './BankSettings';
import { GoalsDialog } from './GoalsDialog';
import { TopicTree } from './TopicTree';
import { depthOf } from './tree-moves';

interface Props {
  shelves: BankShelf[];
  shelf: BankShelf;
  /** Null looks through every bank. */
  bank: string | null;
  topic: string | null;
  kept: KeptSearch[];
  goals: Goal[];
  colleagues: { id: string; name: string }[];
  onForget: (id: string) => void;
}

/** Left of the list: the topics of the bank, the other banks, kept searches. */
export function BankIndex({ shelves, shelf, bank, topic, kept, goals, colleagues, onForget }: Props) {
  const [arranging, setArranging] = useState(false);
  const [settings, setSettings] = useState<'this' | 'new' | 'goals' | null>(null);
  const all = shelves.reduce((n, s) => n + s.questions, 0);
  return (
    <nav className="index" aria-label="Banks and topics">
      {bank !== null && (
        <>
          <h2>
            Topics{' '}
            {!arranging && (
              <Button variant="quiet" className="small-act" onClick={() => setArranging(true)}>
                arrange
              </Button>
            )}
          </h2>
          {arranging ? (
            <TopicTree shelf={shelf} onClose={() => setArranging(false)} />
          ) : (
            <ul>
              <li>
                <Link href={`/bank?bank=${shelf.id}`} aria-current={topic === null}>
                  All <small>{shelf.questions}</small>
                </Link>
              </li>
              {shelf.topics.map((t) => (
                <li key={t.id} style={{ paddingLeft: depthOf(shelf.topics, t.id) * 14 }}>
                  <Link href={`/bank?bank=${shelf.id}&topic=${t.id}`} aria-current={topic === t.id}>
                    {t.name} <small>{t.questions}</small>
                  </Link>
                </li>
              ))}
            </ul>
          )}
        </>
      )}
      <h2>
        Banks{' '}
        <Button variant="quiet" className="small-act" aria-haspopup="dialog" onClick={() => setSettings('new')}>
          new
        </Button>
        {shelf.mine && bank !== null && (
          <Button variant="quiet" className="small-act" aria-haspopup="dialog" onClick={() => setSettings('this')}>
            settings
          </Button>
        )}
      </h2>
      <ul>
        {shelves.map((s) => (
          <li key={s.id}>
            <Link href={`/bank?bank=${s.id}`} aria-current={s.id === bank}>
              {s.name} <small>{s.questions}</small>
            </Link>
          </li>
        ))}
        <li>
          <Link href="/bank?bank=all" aria-current={bank === null}>
            All banks <small>{all}</small>
          </Link>
        </li>
      </ul>
      {kept.length > 0 && (
        <>
          <h2>Kept searches</h2>
          <ul>
            {kept.map((k) => (
              <li key={k.id} className="d-flex">
                <Link href={`/bank?kept=${k.id}`} className="flex-grow-1">
                  {k.name}
                </Link>
                <Button variant="quiet" aria-label={`Forget the search ${k.name}`} onClick={() => onForget(k.id)}>
                  ×
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
      <Button variant="quiet" className="small-act" aria-haspopup="dialog" onClick={() => setSettings('goals')}>
        Learning goals…
      </Button>
      {settings === 'goals' && <GoalsDialog goals={goals} onClose={() => setSettings(null)} />}
      {(settings === 'new' || settings === 'this') && (
        <BankSettings
          shelf={settings === 'this' ? shelf : null}
          colleagues={colleagues}
          onClose={() => setSettings(null)}
        />
      )}
    </nav>
  );
}
