'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import { findAction } from '@/actions/frame';
import type { Hit } from '@/server/today/find';
import { lastBankPlace } from '../bank/bank-place';
import { Combobox } from '../parts/Combobox';
import { useFound } from '../parts/use-found';
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
  useKeys([{ keys: 'Ctrl+k', what: 'Find or do', run: () => setOpen(true) }]);

  const found = useFound(words, (typed) => findAction(typed));
  const hits = found.map((h) => ({ title: h.title, note: h.note || h.what, href: PLACE[h.what](h.id) }));

  const typed = words.trim().toLowerCase();
  const list: Command[] = [...COMMANDS.filter((c) => c.title.toLowerCase().includes(typed)), ...hits];
  const close = (): void => {
    setOpen(false);
    setWords('');
  };
  const go = (command: Command): void => {
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
        <Combobox
          label="Find or do"
          placeholder="A question, an exam, a person, or what to do"
          className="form-control"
          autoFocus
          words={words}
          onWords={setWords}
          list={list}
          keyOf={({ href, title }) => href + title}
          draw={({ title, note }) => (
            <>
              {title}
              <small>{note}</small>
            </>
          )}
          onPick={go}
          found="Found"
          none="Nothing fits these words."
        />
      </Modal>
    </>
  );
}
