'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import { findAction } from '@/actions/frame';
import type { Hit } from '@/server/today/find';
import { lastBankPlace } from '../bank/bank-place';
import { useKeys } from './keys';

interface Command {
  title: string;
  note: string;
  href: string;
}

const COMMANDS: Command[] = [
  { title: 'Write a new question', note: 'do', href: '/bank/new' },
  { title: 'Build a new exam', note: 'do', href: '/exams?new=yes' },
  { title: 'Bring in a document or spreadsheet of questions', note: 'do', href: '/bank/bring-in' },
  { title: 'Grade scale and feedback ranges', note: 'go', href: '/department#grades' },
  { title: 'Today', note: 'go', href: '/' },
  { title: 'Bank', note: 'go', href: '/bank' },
  { title: 'Exams', note: 'go', href: '/exams' },
  { title: 'Sittings', note: 'go', href: '/sittings' },
  { title: 'Marking', note: 'go', href: '/marking' },
  { title: 'Gradebook', note: 'go', href: '/gradebook' },
  { title: 'Department', note: 'go', href: '/department' },
  { title: 'What can be asked', note: 'go', href: '/department/gallery' },
];

const PLACE: Record<Hit['what'], (id: string) => string> = {
  question: (id) => `/bank/${id}`,
  exam: (id) => `/exams/${id}`,
  sitting: (id) => `/sittings/${id}`,
  course: (id) => `/gradebook/${id}`,
  person: (id) => `/department#${id}`,
};

/** One box for everything: people, questions, exams, sittings, and what can be done. */
export function FindOrDo() {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [words, setWords] = useState('');
  const [hits, setHits] = useState<Command[]>([]);
  const [at, setAt] = useState(0);
  useKeys([{ keys: 'Ctrl+k', what: 'Find or do', run: () => setOpen(true) }]);

  useEffect(() => {
    if (!open || words.trim() === '') return;
    let stale = false;
    const timer = setTimeout(async () => {
      const found = await findAction(words);
      if (!stale) setHits(found.map((h) => ({ title: h.title, note: h.note || h.what, href: PLACE[h.what](h.id) })));
    }, 120);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [open, words]);

  const typed = words.trim().toLowerCase();
  const list = [...COMMANDS.filter((c) => c.title.toLowerCase().includes(typed)), ...(typed === '' ? [] : hits)];
  const close = (): void => {
    setOpen(false);
    setWords('');
    setAt(0);
  };
  const go = (command: Command | undefined): void => {
    if (!command) return;
    close();
    // A new question goes into the bank that was looked at last.
    const [, bank] = /[?&]bank=([\w-]+)/.exec(lastBankPlace()?.href ?? '') ?? [];
    const here = command.href === '/bank/new' && bank !== undefined && bank !== 'all';
    router.push(here ? `${command.href}?bank=${bank}` : command.href);
  };
  return (
    <>
      <button type="button" className="find" aria-haspopup="dialog" onClick={() => setOpen(true)}>
        Find or do <kbd>Ctrl K</kbd>
      </button>
      <Modal show={open} onHide={close} aria-label="Find or do" contentClassName="find-box" animation={false}>
        <input
          className="form-control"
          autoFocus
          placeholder="A question, an exam, a person, or what to do"
          aria-label="Find or do"
          role="combobox"
          aria-expanded="true"
          aria-controls="find-list"
          aria-activedescendant={list[at] ? `find-${at}` : undefined}
          value={words}
          onChange={(e) => {
            setWords(e.target.value);
            setAt(0);
          }}
          onKeyDown={(e) => {
            if (e.key === 'ArrowDown') setAt(Math.min(at + 1, list.length - 1));
            else if (e.key === 'ArrowUp') setAt(Math.max(at - 1, 0));
            else if (e.key === 'Enter') go(list[at]);
            else return;
            e.preventDefault();
          }}
        />
        <ul id="find-list" role="listbox" aria-label="Found">
          {list.map((command, i) => (
            <li
              key={command.href + command.title}
              id={`find-${i}`}
              role="option"
              aria-selected={i === at}
              onMouseEnter={() => setAt(i)}
              onClick={() => go(command)}
            >
              {command.title}
              <small>{command.note}</small>
            </li>
          ))}
          {list.length === 0 && <li className="soft">Nothing fits these words.</li>}
        </ul>
      </Modal>
    </>
  );
}
