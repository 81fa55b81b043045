import { describe, expect, it } from 'vitest';
import { sampleExam } from '../../../tests/drivers/samples';
import { unmended } from './paper';
import { examReadiness } from './readiness';
import { secondsAtQuestions } from './time-taken';

const at = (question: string, second: number) => ({ question, at: second * 1000 });
const seconds = (...changes: ReturnType<typeof at>[]) => Object.fromEntries(secondsAtQuestions(0, changes));

describe('seconds at a question', () => {
  it('are those before each change of it, in whatever order they come, also when it is come back to', () => {
    expect(seconds(at('b', 90), at('a', 30), at('a', 50), at('a', 100))).toEqual({ a: 60, b: 40 });
  });

  it('are ten minutes at most for one change, and none before the beginning', () => {
    expect(seconds(at('a', 3600), at('b', 3610))).toEqual({ a: 600, b: 10 });
    expect(seconds(at('a', -20), at('b', 10))).toEqual({ b: 10 });
  });

  it('are not told where answers came in heaps', () => {
    expect(seconds(at('a', 300), at('b', 300), at('c', 300))).toEqual({});
    expect(seconds(at('a', 300), at('b', 300))).toEqual({ a: 300 });
    expect(seconds()).toEqual({});
  });
});

it('an exam is reckoned by what earlier students took, and by rule of thumb for the rest', () => {
  const { plan, revisions } = sampleExam(3);
  const pinned = unmended(plan, revisions);
  const thumb = examReadiness(pinned).minutes;
  const [first] = plan.sections[0]?.items ?? [];
  const alone = examReadiness(unmended({ ...plan, sections: [{ ...plan.sections[0]!, items: [first!] }] }, revisions));
  expect(examReadiness(pinned, new Map([[first?.question ?? '', 12.5]])).minutes).toBe(
    Math.ceil(thumb - alone.minutes + 12.5),
  );
});
