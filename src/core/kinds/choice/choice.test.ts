import { describe, expect, it } from 'vitest';
import { readStored } from '../../base/stored-form';
import { choice, type ChoiceSetup } from './choice';

const setup = (part: Partial<ChoiceSetup>): ChoiceSetup => ({
  ...choice.fresh(),
  options: ['a', 'b', 'c', 'd'].map((id, i) => ({ id, text: `part ${id}`, key: i < 2, feedback: '' })),
  several: true,
  ...part,
});
const codes = (s: ChoiceSetup): string[] => choice.readiness(s).map((f) => f.code);

describe('a choice', () => {
  it('of which at most two may be chosen takes no third', () => {
    const limited = setup({ most: 2 });
    expect(choice.sheet(limited, 1).most).toBe(2);
    expect(choice.marked.mark(limited, { chosen: ['a', 'b'] })).toMatchObject({ state: 'marked' });
    const tooMany = choice.marked.mark(limited, { chosen: ['a', 'b', 'c'] });
    expect(tooMany.state === 'marked' && tooMany.share.equals(0)).toBe(true);
    expect(tooMany.trace).toEqual([{ code: 'choices-too-many', values: { keys: 2 } }]);
    expect(codes(setup({ most: 1 }))).toContain('choice-most-too-few');
    expect(codes(limited)).not.toContain('choice-most-too-few');
  });

  it('accepts only its own options, each once, and not more than may be chosen', () => {
    const accepts = (s: ChoiceSetup, ...chosen: string[]) => choice.accepts(s, { chosen });
    const limited = setup({ most: 2 });
    expect([accepts(limited), accepts(limited, 'a'), accepts(limited, 'a', 'd')]).toEqual([true, true, true]);
    expect([accepts(limited, 'a', 'b', 'c'), accepts(limited, 'a', 'a'), accepts(limited, 'z')]).toEqual([
      false,
      false,
      false,
    ]);
    expect([accepts(setup({}), 'a', 'b', 'c', 'd'), accepts(setup({ several: false }), 'a', 'b')]).toEqual([
      true,
      false,
    ]);
  });

  it('of one answer has no limit to be told', () => {
    expect(choice.sheet(setup({ several: false, most: 2 }), 1).most).toBeNull();
  });

  it('stands as a drop-down only where words and one answer allow it', () => {
    const one = setup({ several: false, look: 'menu' });
    expect(choice.sheet(one, 1).look).toBe('menu');
    for (const not of [
      setup({ look: 'menu' }),
      { ...one, options: one.options.map((o) => ({ ...o, text: `$${o.id}$` })) },
    ]) {
      expect(choice.sheet(not, 1).look).toBe('list');
      expect(codes(not)).toContain('choice-no-menu');
    }
    expect(codes(one)).not.toContain('choice-no-menu');
  });

  it('that was stored before there was a limit has none', () => {
    const { most: _, ...old } = setup({});
    expect(readStored(choice.setup, old)).toMatchObject({ most: null });
  });
});
