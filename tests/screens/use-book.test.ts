import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { must, type Result } from '../../src/core/base/result';
import { NEW_BOOK } from '../../src/core/gradebook/book';
import type { BookEntry } from '../../src/core/gradebook/cell';
import { putCells } from '../../src/server/gradebook/entries';
import { type Gradebook, openGradebook } from '../../src/server/gradebook/gradebook';
import { saveBook } from '../../src/server/gradebook/settings';
import { useBook } from '../../src/ui/gradebook/use-book';
import { TestDepartment } from '../drivers/department';
import { freshColumn } from '../fixtures/book-column';

/** Requests on their way to a real gradebook; each arrives when the test lets it. */
const line = vi.hoisted(() => ({
  gates: [] as ((cut: boolean) => void)[],
  answered: 0,
  serve: (_: unknown): Promise<unknown> => Promise.resolve(),
}));
vi.mock('@/actions/gradebook', () => ({
  putCellsAction: async (input: unknown) => {
    const cut = await new Promise<boolean>((open) => line.gates.push(open));
    try {
      if (cut) throw new TypeError('Failed to fetch');
      return await line.serve(input);
    } finally {
      line.answered += 1;
    }
  },
}));

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
  line.gates.length = 0;
  line.serve = (input): Promise<Result<unknown>> => putCells(dept.as('teacher'), input);
  const columns = ['talk', 'poster'].map((id) => freshColumn(id, { from: { is: 'hand', title: id, of: '10' } }));
  must(await saveBook(dept.as('teacher'), { course: dept.course, base: 0, book: { ...NEW_BOOK, columns } }));
});
afterEach(() => {
  cleanup();
  dept.close();
});

const read = async (): Promise<Gradebook> => must(await openGradebook(dept.as('teacher'), dept.course));
const marks = (n: string): BookEntry => ({ is: 'marks', marks: n });
const ada = (column: string, n: string | null) => [
  { column, member: dept.id('ada'), entry: n === null ? null : marks(n) },
];

async function openBook() {
  const book = await read();
  return renderHook(() => useBook(dept.course, book.rows, book.columns)).result;
}
type Open = Awaited<ReturnType<typeof openBook>>;

/** What the page shows of Ada's row, and what the server has. */
const shown = (book: Open): (string | null)[] => entriesOf(book.current.rows);
const kept = async (): Promise<(string | null)[]> => entriesOf((await read()).rows);
const entriesOf = (rows: Gradebook['rows'] | Open['current']['rows']): (string | null)[] =>
  rows
    .filter(({ member }) => member === dept.id('ada'))
    .flatMap(({ cells }) => cells.map(({ entry }) => (entry?.is === 'marks' ? entry.marks : null)));

/** Begins something without waiting for it. */
async function begin(work: () => Promise<unknown>): Promise<void> {
  await act(async () => {
    void work();
    await Promise.resolve();
  });
}

/** Lets the request that waits longest through, or cuts it off, and has the page hear what came of it. */
async function letThrough(cut = false): Promise<void> {
  await vi.waitFor(() => expect(line.gates).not.toHaveLength(0));
  await act(async () => {
    const before = line.answered;
    line.gates.shift()?.(cut);
    await vi.waitFor(() => expect(line.answered).toBe(before + 1));
    await new Promise((done) => setTimeout(done, 0));
  });
}

describe('a gradebook that is written in', () => {
  it('shows what is typed at once, and keeps it in the order of the hand', async () => {
    const book = await openBook();
    await begin(() => book.current.put(ada('talk', '7'), ''));
    await begin(() => book.current.put(ada('talk', '8'), ''));
    await begin(() => book.current.put(ada('poster', '9'), ''));
    expect(shown(book)).toEqual(['8', '9']);
    expect(book.current.busy).toBe(true);
    // One request is on its way; the others wait for it, and begin from what it made.
    expect(line.gates).toHaveLength(1);
    await letThrough();
    await letThrough();
    await letThrough();
    expect(book.current.trouble).toBeNull();
    expect(book.current.busy).toBe(false);
    expect(await kept()).toEqual(['8', '9']);
  });

  it('puts back what is refused, with the reason, and keeps what was typed after it', async () => {
    const book = await openBook();
    await begin(() => book.current.put(ada('talk', '-5'), ''));
    await begin(() => book.current.put(ada('poster', '9'), ''));
    await letThrough();
    expect(shown(book)).toEqual([null, '9']);
    expect(book.current.trouble).not.toBeNull();
    await letThrough();
    expect(await kept()).toEqual([null, '9']);
    expect(book.current.trouble).toBeNull();
  });

  it('puts back what could not be sent, and says so', async () => {
    const book = await openBook();
    await begin(() => book.current.put(ada('talk', '7'), ''));
    await letThrough(true);
    expect(shown(book)).toEqual([null, null]);
    expect(book.current.trouble).toMatch(/could not be sent/);
    expect(book.current.canUndo).toBe(false);
  });

  it('does not write over a colleague who was quicker', async () => {
    const book = await openBook();
    must(
      await putCells(dept.as('teacher'), {
        course: dept.course,
        changes: [{ ...ada('talk', '3')[0], base: 0 }],
        reason: '',
      }),
    );
    await begin(() => book.current.put(ada('talk', '7'), ''));
    await letThrough();
    expect(book.current.trouble).not.toBeNull();
    expect(await kept()).toEqual(['3', null]);
  });

  it('takes steps back in turn, also before they have arrived', async () => {
    const book = await openBook();
    await begin(() => book.current.put(ada('talk', '7'), ''));
    await begin(() => book.current.put(ada('talk', '8'), ''));
    await begin(() => book.current.undo());
    await begin(() => book.current.undo());
    expect(shown(book)).toEqual([null, null]);
    for (let i = 0; i < 4; i++) await letThrough();
    expect(book.current.trouble).toBeNull();
    expect(await kept()).toEqual([null, null]);
    expect(book.current.canUndo).toBe(false);
  });

  it('offers a step back again that could not be taken', async () => {
    const book = await openBook();
    await begin(() => book.current.put(ada('talk', '7'), ''));
    await letThrough();
    await begin(() => book.current.undo());
    expect(book.current.canUndo).toBe(false);
    await letThrough(true);
    expect(book.current.canUndo).toBe(true);
    expect(shown(book)).toEqual(['7', null]);
    await begin(() => book.current.undo());
    await letThrough();
    expect(await kept()).toEqual([null, null]);
  });

  it('asks before the page is left while something is on its way', async () => {
    const book = await openBook();
    const leave = (): boolean => !window.dispatchEvent(new Event('beforeunload', { cancelable: true }));
    expect(leave()).toBe(false);
    await begin(() => book.current.put(ada('talk', '7'), ''));
    expect(leave()).toBe(true);
    await letThrough();
    expect(leave()).toBe(false);
  });
});
