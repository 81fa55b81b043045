import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gaps, type GapsSetup } from './gaps';
import { moveAlong, piecesAround } from '../../content/gapped-text';
import { sample } from './sample';

const share = (setup: GapsSetup, ...placed: [string, string][]): string | null => {
  const marking = gaps.marked.mark(setup, { placed: placed.map(([item, place]) => ({ item, place })) });
  return marking.state === 'marked' ? marking.share.toFraction() : null;
};

describe('a text with gaps', () => {
  const at = (from: number, to: number) => [{ id: 'p1', from, to }];
  const text = 'The rotor turns.';

  it('keeps its gaps where their words are, whatever is written before, in and behind them', () => {
    expect(moveAlong(at(4, 9), text, 'Now the rotor turns.')).toEqual(at(8, 13));
    expect(moveAlong(at(4, 9), text, 'The rotor, at last, turns.')).toEqual(at(4, 9));
    expect(moveAlong(at(4, 9), text, 'The big rotor turns.')).toEqual(at(8, 13));
    expect(moveAlong(at(4, 9), text, 'The rotator turns.')).toEqual(at(4, 11));
    expect(moveAlong(at(4, 9), text, 'The hub turns.')).toEqual(at(4, 7));
    expect(moveAlong(at(4, 9), text, 'The  turns.')).toEqual([]);
    expect(moveAlong(at(4, 9), text, '')).toEqual([]);
  });

  it('has gaps inside it and none over another, however it is changed', () => {
    const stretches = [at(0, 3), at(4, 9), at(10, 15)].flat();
    const change = fc.record({ from: fc.nat(16), gone: fc.nat(16), written: fc.string({ maxLength: 6 }) });
    fc.assert(
      fc.property(fc.array(change, { maxLength: 12 }), (changes) => {
        let now = { text, stretches };
        for (const { from, gone, written } of changes) {
          const next = now.text.slice(0, from) + written + now.text.slice(from + gone);
          now = { text: next, stretches: moveAlong(now.stretches, now.text, next) };
          let end = 0;
          for (const stretch of now.stretches) {
            expect(stretch.from).toBeGreaterThanOrEqual(end);
            expect(stretch.to).toBeGreaterThan(stretch.from);
            end = stretch.to;
          }
          expect(end).toBeLessThanOrEqual(next.length);
        }
      }),
    );
  });

  it('comes to students without the words of its gaps', () => {
    expect(piecesAround(text, at(4, 9))).toEqual([
      { id: null, text: 'The ' },
      { id: 'p1', text: '' },
      { id: null, text: ' turns.' },
    ]);
    expect(JSON.stringify(gaps.sheet(sample.setup, 7))).not.toMatch(/rotor|generator/);
  });
});

describe('gaps with tiles', () => {
  const { setup } = sample;

  it('earn a part each, or as often as they count', () => {
    expect([share(setup, ['t1', 'p1'], ['t2', 'p2']), share(setup, ['t1', 'p1']), share(setup, ['t2', 'p1'])]).toEqual([
      '1',
      '1/2',
      '0',
    ]);
    const [first, second] = setup.gaps;
    if (!first || !second) throw new Error('There are two gaps');
    const weighed = { ...setup, gaps: [{ ...first, weight: 3 }, second] };
    expect([share(weighed, ['t1', 'p1']), share(weighed, ['t2', 'p2'])]).toEqual(['3/4', '1/4']);
    const deducting: GapsSetup = { ...weighed, scheme: 'by-part-deductions' };
    expect([share(deducting, ['t1', 'p1'], ['t3', 'p2']), share(deducting, ['t3', 'p1'], ['t2', 'p2'])]).toEqual([
      '1/2',
      '0',
    ]);
  });

  it('say something of one particular wrong tile', () => {
    const [first, second] = setup.gaps;
    if (!first || !second) throw new Error('There are two gaps');
    const said = {
      ...setup,
      gaps: [{ ...first, slips: [{ what: 't3', feedback: 'The tower stands still.' }] }, second],
    };
    const feedback = (item: string): string | undefined => {
      const marking = gaps.marked.mark(said, { placed: [{ item, place: 'p1' }] });
      return marking.state === 'marked' ? marking.feedback : undefined;
    };
    expect([feedback('t3'), feedback('t2')]).toEqual(['The tower stands still.', 'Secret feedback']);
  });

  it('lie where they lay when values are put into the text', () => {
    const varied = { ...setup, text: setup.text.replace('The rotor', '{v} rotor'), gaps: setup.gaps };
    const put = gaps.put({ ...varied, gaps: setup.gaps }, (text) => text.replace('{v}', 'At 12 m/s the'));
    expect(put.gaps.map(({ from, to }) => put.text.slice(from, to))).toEqual(['rotor', 'generator']);
  });

  it('are not ready without gaps, with a tile twice, or with one that two gaps need', () => {
    const codes = (one: GapsSetup): string[] => gaps.readiness(one).map(({ code }) => code);
    expect(codes(gaps.fresh())).toEqual(['gaps-no-text']);
    expect(codes({ ...setup, gaps: [] })).toEqual(['gaps-none']);
    expect(codes(setup)).toEqual([]);
    expect(codes({ ...setup, tiles: setup.tiles.slice(0, 2) })).toEqual(['gaps-no-distractor']);
    const shared = setup.gaps.map((gap) => ({ ...gap, accepts: ['t1'] }));
    expect(codes({ ...setup, gaps: shared })).toEqual(['gaps-shared']);
    expect(codes({ ...setup, gaps: shared, again: true })).toEqual([]);
  });
});
