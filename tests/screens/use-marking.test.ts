import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { must, type Result } from '../../src/core/base/result';
import { type DeskAnswer, openDesk } from '../../src/server/marking/desk';
import { giveMark } from '../../src/server/marking/give-mark';
import { keyOf } from '../../src/ui/marking/use-desk';
import { useMarking } from '../../src/ui/marking/use-marking';
import { TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';

/** Requests on their way to a real department; each arrives when the test lets it. */
const line = vi.hoisted(() => ({
  gates: [] as ((cut: boolean) => void)[],
  answered: 0,
  serve: (_: unknown): Promise<unknown> => Promise.resolve(),
}));
vi.mock('../../src/ui/parts/use-fresh-page', () => ({ useFreshPage: () => () => undefined }));
vi.mock('@/actions/marking', () => ({
  giveMarkAction: async (input: unknown) => {
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
let sitting: string;
const desk = async () => must(await openDesk(dept.as('marker'), sitting, 'item0'));
/** The marks on the server, by their script. */
const marksThere = async () => (await desk()).lines.map(({ marks }) => marks);

beforeEach(async () => {
  dept = await TestDepartment.open();
  line.gates.length = 0;
  line.serve = (input): Promise<Result<unknown>> => giveMark(dept.as('marker'), input);
  ({ sitting } = await dept.sitting());
  for (const who of ['ada', 'ben']) {
    const attempt = await dept.sit(who, sitting, { item0: { c: { text: `what ${who} thinks of it` } } });
    must(await handInAndMark(dept.as(who), attempt));
  }
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  return dept.close();
});

async function open() {
  const { answers } = await desk();
  const [ada, ben] = answers as [DeskAnswer, DeskAnswer];
  const onGiven = vi.fn();
  const page = renderHook(() => useMarking({ item: 'item0', second: false, onGiven, onMeanwhile: () => undefined }));
  return { ada, ben, onGiven, page, marking: () => page.result.current };
}
const type = (work: () => void) => act(work);
const pass = (milliseconds: number) => act(() => vi.advanceTimersByTimeAsync(milliseconds));
/** Lets the oldest request arrive, or cuts it off, and waits until the page has heard of it. */
const arrive = (cut = false) =>
  act(async () => {
    await vi.waitFor(() => expect(line.gates.length).toBeGreaterThan(0));
    const before = line.answered;
    line.gates.shift()?.(cut);
    await vi.waitFor(() => expect(line.answered).toBeGreaterThan(before));
    await vi.advanceTimersByTimeAsync(0);
  });

it('marks typed while the server is away wait, the newest of each answer, and arrive when it is back', async () => {
  const { ada, ben, marking, onGiven } = await open();
  await type(() => marking().save(ada, '1'));
  await type(() => marking().leave());
  await arrive(true);
  expect(marking()).toMatchObject({ waiting: 1, saving: 'idle' });
  await type(() => marking().save(ben, '1'));
  await type(() => marking().save(ada, '0.5'));
  await pass(500);
  await arrive(true);
  expect(marking().waiting).toBe(2);
  expect(await marksThere()).toEqual([null, null]);
  expect(onGiven).not.toHaveBeenCalled();
  await pass(3000);
  await arrive();
  await arrive();
  expect(await marksThere()).toEqual(['1/2', '1']);
  expect(marking()).toMatchObject({ waiting: 0, saving: 'saved' });
  expect(onGiven).toHaveBeenCalledTimes(2);
  await pass(10_000);
  expect(line.gates).toEqual([]);
});

it('a mark that is not taken stays by its answer as it was typed, wherever one has gone on to', async () => {
  const { ada, ben, marking } = await open();
  await type(() => marking().save(ada, '99'));
  await type(() => marking().leave());
  await type(() => marking().save(ben, '1'));
  await arrive();
  expect(marking().refused.get(keyOf(ada))).toMatchObject({ marks: '99', refusal: { code: 'mark-out-of-range' } });
  await pass(500);
  await arrive();
  expect(marking().refused.size).toBe(1);
  expect(await marksThere()).toEqual([null, '1']);
  await type(() => marking().save(ada, '0.25'));
  expect(marking().refused.size).toBe(0);
  await pass(500);
  await arrive();
  expect(await marksThere()).toEqual(['1/4', '1']);
});

it('what is typed while a mark is on its way replaces it, though the first comes to nothing', async () => {
  const { ada, marking } = await open();
  await type(() => marking().save(ada, '99'));
  await pass(500);
  await type(() => marking().save(ada, '0.75'));
  await arrive();
  expect(marking()).toMatchObject({ saving: 'saving' });
  expect(marking().refused.size).toBe(0);
  await pass(500);
  await arrive();
  expect(await marksThere()).toEqual(['3/4', null]);
});
