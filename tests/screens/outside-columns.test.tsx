import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { ok, type Result, refuse } from '../../src/core/base/result';
import type { OutsideBook } from '../../src/server/platforms/outside-book';
import { OutsideColumns } from '../../src/ui/platforms/OutsideColumns';

const server = vi.hoisted(() => ({ saves: [] as { columns: string[]; answer: (reply: Result<null> | Error) => void }[] }));
vi.mock('@/actions/outside-gradebook', () => ({
  connectOutsideAction: ({ columns }: { columns: string[] }) =>
    new Promise<Result<null>>((done, fail) =>
      server.saves.push({ columns, answer: (reply) => (reply instanceof Error ? fail(reply) : done(reply)) }),
    ),
}));
beforeEach(() => {
  server.saves.length = 0;
});
afterEach(cleanup);

const column = (id: string): OutsideBook['columns'][number] => ({
  id,
  title: id,
  of: '10',
  released: true,
  told: false,
  arrived: 0,
  news: 0,
  waiting: 0,
  failed: 0,
});

function open(): void {
  const book = {
    course: { id: 'course', code: 'WT-1', title: 'Wind' },
    connected: { platform: 'p', lineItems: 'https://platform.example/items' },
    columns: ['quiz', 'talk'].map(column),
  } as unknown as OutsideBook;
  render(<OutsideColumns book={book} />);
}
const box = (id: string): HTMLInputElement => screen.getByRole('checkbox', { name: `Send ${id}` });
const answer = (reply: Result<null> | Error) => act(async () => server.saves.at(-1)?.answer(reply));
const leave = (): boolean => !window.dispatchEvent(new Event('beforeunload', { cancelable: true }));

it('what was clicked last says all: one save on its way, and then the newest', async () => {
  open();
  fireEvent.click(box('quiz'));
  fireEvent.click(box('talk'));
  fireEvent.click(box('quiz'));
  expect([box('quiz').checked, box('talk').checked]).toEqual([false, true]);
  expect(server.saves.map(({ columns }) => columns)).toEqual([['quiz']]);
  await answer(ok(null));
  expect(server.saves.map(({ columns }) => columns)).toEqual([['quiz'], ['talk']]);
  expect(leave()).toBe(true);
  await answer(ok(null));
  expect(leave()).toBe(false);
});

it('what is refused is said, and what could not be sent is clicked again', async () => {
  open();
  fireEvent.click(box('quiz'));
  await answer(refuse('frozen'));
  expect(screen.getByRole('alert').textContent).not.toBe('');
  fireEvent.click(box('talk'));
  expect(screen.queryByRole('alert')).toBeNull();
  await answer(new TypeError('Failed to fetch'));
  expect(screen.getByRole('alert').textContent).toContain('could not be sent');
  expect(leave()).toBe(false);
  fireEvent.click(box('talk'));
  fireEvent.click(box('talk'));
  await answer(ok(null));
  await answer(ok(null));
  expect(server.saves.at(-1)?.columns).toEqual(['quiz', 'talk']);
});
