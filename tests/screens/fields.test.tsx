import { act, cleanup, fireEvent, render, renderHook, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ok, type Result } from '../../src/core/base/result';
import { Combobox } from '../../src/ui/parts/Combobox';
import { CountInput } from '../../src/ui/parts/CountInput';
import { ExactInput } from '../../src/ui/parts/ExactInput';
import { LineInput } from '../../src/ui/parts/LineInput';
import { LineRows } from '../../src/ui/parts/LineRows';
import { MarksInput } from '../../src/ui/parts/MarksInput';
import { NumberWord } from '../../src/ui/parts/NumberWord';
import { PercentInput } from '../../src/ui/parts/PercentInput';
import { ShareInput } from '../../src/ui/parts/ShareInput';
import { useFound } from '../../src/ui/parts/use-found';
import { TrayContext } from '../../src/ui/tray/tray-context';

afterEach(cleanup);

const field = (name = 'It'): HTMLInputElement => screen.getByLabelText(name);
const type = (text: string, name?: string): void => {
  fireEvent.change(field(name), { target: { value: text } });
};
const press = (key: string, more: object = {}): boolean => fireEvent.keyDown(document.activeElement ?? field(), { key, ...more });

/** A field as a screen holds it: what it tells is what it is given next. */
function held<T>(first: T, draw: (value: T, change: (value: T) => void) => React.ReactNode): { told: T[] } {
  const told: T[] = [];
  function Held() {
    const [value, setValue] = useState(first);
    return draw(value, (next) => {
      told.push(next);
      setValue(next);
    });
  }
  render(<Held />);
  return { told };
}

describe('fields for numbers', () => {
  const FIELDS = {
    marks: {
      draw: (value: string, change: (value: string) => void) => <MarksInput label="It" marks={value} onChange={change} />,
      first: '2',
      takes: [
        ['1.5', '3/2'],
        ['1,5', '3/2'],
        ['1½', '3/2'],
        ['0', '0'],
        ['1000', '1000'],
      ],
      refuses: ['-1', '1001', 'two', '', '1.2.3', '∞', '1e99', '1/0'],
    },
    percent: {
      draw: (value: string, change: (value: string) => void) => <PercentInput label="It" value={value} onChange={change} />,
      first: '50',
      takes: [
        ['60', '60'],
        ['62,5', '62.5'],
        ['70 %', '70'],
        ['0', '0'],
        ['100', '100'],
      ],
      refuses: ['-1', '100.1', 'half', '', '1/2', '%'],
    },
    'a number inside a sentence': {
      draw: (value: string, change: (value: string) => void) => (
        <NumberWord label="It" value={value} least={1} most={20} onChange={change} />
      ),
      first: '5',
      takes: [
        ['1', '1'],
        [' 20 ', '20'],
      ],
      refuses: ['0', '21', '2.5', '', 'ten', '-3'],
    },
    exact: {
      draw: (value: string, change: (value: string) => void) => <ExactInput label="It" value={value} onChange={change} />,
      first: '1/4',
      takes: [
        ['0.125', '1/8'],
        ['-3,5', '-7/2'],
        ['1/3', '1/3'],
      ],
      refuses: ['', 'a third', '1/0', '--1'],
    },
  };

  describe.each(Object.entries(FIELDS))('%s', (_, { draw, first, takes, refuses }) => {
    it.each(takes)('takes %s', (typed, kept) => {
      const { told } = held(first, draw);
      type(typed);
      expect(told.at(-1)).toBe(kept);
    });

    it.each(refuses)('does not take %j, and puts back what stood there', (typed) => {
      const { told } = held(first, draw);
      const shown = field().value;
      type(typed);
      expect(told).toEqual([]);
      expect(field().value).toBe(typed);
      fireEvent.blur(field());
      expect(field().value).toBe(shown);
    });

    it('shows what is typed as it is typed, while it is', () => {
      held(first, draw);
      type('1');
      type('1,');
      expect(field().value).toBe('1,');
    });
  });

  it('whole ones stay between their bounds, and are left empty where that is said', () => {
    const { told } = held<number | null>(3, (count, change) => (
      <CountInput label="It" count={count} least={-2} most={9} optional onChange={change} />
    ));
    for (const typed of ['10', '-3', '4.5', '1e1', '٣', 'x']) type(typed);
    expect(told).toEqual([]);
    for (const typed of ['9', '−2', '']) type(typed);
    expect(told).toEqual([9, -2, null]);
    fireEvent.blur(field());
    expect(field().value).toBe('');
  });

  it('one that must be there is not left empty', () => {
    const { told } = held<number | null>(3, (count, change) => (
      <CountInput label="It" count={count} least={0} most={9} onChange={change} />
    ));
    type('');
    fireEvent.blur(field());
    expect([told, field().value]).toEqual([[], '3']);
  });

  it('what does not fit is said beside it', () => {
    held('50', (value, change) => <PercentInput label="It" value={value} onChange={change} />);
    type('500');
    expect(screen.getByRole('alert').textContent).toBe('0 to 100');
    expect(field().getAttribute('aria-invalid')).toBe('true');
    fireEvent.blur(field());
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('a share is typed as the marks that it is of', () => {
    const { told } = held('1/2', (share, change) => <ShareInput label="It" share={share} marks="3" onChange={change} />);
    expect(field().value).toBe('1.5');
    type('1');
    expect(told).toEqual([]);
    field().focus();
    press('Enter');
    expect(told).toEqual(['1/3']);
    type('4');
    fireEvent.blur(field());
    expect([told.length, field().value]).toEqual([1, '1']);
  });

  it('a share of nothing is never told', () => {
    const { told } = held('1/2', (share, change) => <ShareInput label="It" share={share} marks="0" onChange={change} />);
    type('0');
    fireEvent.blur(field());
    expect(told).toEqual([]);
  });
});

describe('a line of text', () => {
  it('is kept by Enter or by leaving, without the blanks around it, and comes back by Esc', () => {
    const { told } = held('old', (value, change) => <LineInput label="It" value={value} most={20} onChange={change} />);
    field().focus();
    type('  new ');
    expect(press('Enter')).toBe(false);
    expect(told).toEqual(['new']);
    type('newer');
    press('Escape');
    expect(field().value).toBe('new');
    type('newest');
    fireEvent.blur(field());
    expect(told).toEqual(['new', 'newest']);
    fireEvent.blur(field());
    expect(told).toHaveLength(2);
  });
});

describe('a field with a list', () => {
  const WORDS = ['rotor', 'rotor blade', 'rotor brake'];
  function open(list: readonly string[] = WORDS) {
    const picked: string[] = [];
    const left = vi.fn();
    held('', (words, change) => (
      <Combobox
        label="It"
        placeholder=""
        className=""
        words={words}
        onWords={change}
        list={words === '' ? [] : list}
        keyOf={(one) => one}
        draw={(one) => one}
        onPick={(one) => picked.push(one)}
        onLeave={left}
        found="What was found"
      />
    ));
    field().focus();
    return { picked, left };
  }
  const chosen = (): string | undefined => screen.queryAllByRole('option', { selected: true })[0]?.textContent;

  it('is gone through by arrows, which stop at its ends, and Enter takes', () => {
    const { picked } = open();
    expect(field().getAttribute('aria-expanded')).toBe('false');
    type('rot');
    expect(screen.getByRole('listbox', { name: 'What was found' })).toBeTruthy();
    press('ArrowUp');
    expect(chosen()).toBe('rotor');
    for (let i = 0; i < 5; i++) press('ArrowDown');
    expect(chosen()).toBe('rotor brake');
    expect(field().getAttribute('aria-activedescendant')).toBe(screen.getByRole('option', { selected: true }).id);
    press('Enter');
    expect(picked).toEqual(['rotor brake']);
  });

  it('begins at the first again when other words are typed', () => {
    open();
    type('rot');
    press('ArrowDown');
    type('roto');
    expect(chosen()).toBe('rotor');
  });

  it('takes nothing by Enter where nothing is found, and takes by a click', () => {
    const { picked } = open([]);
    type('hub');
    press('Enter');
    expect(picked).toEqual([]);
    cleanup();
    const other = open();
    type('rot');
    fireEvent.click(screen.getByRole('option', { name: 'rotor blade' }));
    expect(other.picked).toEqual(['rotor blade']);
  });

  it('is left by Esc, and after going elsewhere', () => {
    vi.useFakeTimers();
    const { left } = open();
    press('Escape');
    expect(left).toHaveBeenCalledTimes(1);
    fireEvent.blur(field());
    expect(left).toHaveBeenCalledTimes(1);
    vi.advanceTimersByTime(200);
    expect(left).toHaveBeenCalledTimes(2);
    vi.useRealTimers();
  });
});

describe('what is found while one types', () => {
  beforeEach(() => vi.useFakeTimers());
  afterEach(() => vi.useRealTimers());
  const pass = (milliseconds: number) => act(() => vi.advanceTimersByTimeAsync(milliseconds));

  it('is asked for when the hand rests, and the newest words count, whichever reply comes last', async () => {
    const replies = new Map<string, (found: string[]) => void>();
    const ask = vi.fn((words: string) => new Promise<Result<string[]>>((done) => replies.set(words, (found) => done(ok(found)))));
    const page = renderHook(({ words }) => useFound(words, ask), { initialProps: { words: '' } });
    await pass(200);
    expect(ask).not.toHaveBeenCalled();
    for (const words of ['r', 'ro']) {
      page.rerender({ words });
      await pass(50);
    }
    await pass(100);
    page.rerender({ words: 'rotor' });
    await pass(100);
    expect([...replies.keys()]).toEqual(['ro', 'rotor']);
    await act(async () => replies.get('rotor')?.(['rotor blade']));
    await act(async () => replies.get('ro')?.(['rope']));
    expect(page.result.current).toEqual(['rotor blade']);
    page.rerender({ words: ' ' });
    expect(page.result.current).toEqual([]);
  });

  it('stays what it was while the server cannot be asked', async () => {
    const ask = vi.fn().mockResolvedValueOnce(ok(['rotor'])).mockRejectedValueOnce(new TypeError('Failed to fetch'));
    const page = renderHook(({ words }) => useFound(words, ask), { initialProps: { words: 'r' } });
    await pass(100);
    page.rerender({ words: 'ro' });
    await pass(100);
    expect(ask).toHaveBeenCalledTimes(2);
    expect(page.result.current).toEqual(['rotor']);
  });
});

describe('words one a line', () => {
  let next = 0;
  const row = (text: string) => ({ id: `row${next++}`, text });
  function open(words: string[], left = vi.fn()) {
    const { told } = held(words.map(row), (rows, change) => (
      <TrayContext value={() => undefined}>
      <LineRows
        rows={rows}
        what="name"
        label="Names"
        most={5}
        least={1}
        longest={40}
        placeholder={(at) => `name ${at}`}
        fresh={(_, text) => row(text)}
        onChange={change}
        onLeave={left}
      />
      </TrayContext>
    ));
    return { now: () => (told.at(-1) ?? []).map(({ text }) => text), told, left };
  }
  const at = (n: number): HTMLInputElement => screen.getByRole('textbox', { name: `Name ${n}` });

  it('Enter goes on and adds; an empty last line ends the list', () => {
    const { now, left } = open(['hub', 'tower']);
    at(1).focus();
    press('Enter');
    expect(document.activeElement).toBe(at(2));
    press('Enter');
    expect(now()).toEqual(['hub', 'tower', '']);
    expect(document.activeElement).toBe(at(3));
    press('Enter');
    expect(now()).toEqual(['hub', 'tower']);
    expect(left).toHaveBeenCalledOnce();
  });

  it('Backspace in an empty line takes it out, but never the last that must stay', () => {
    const { now, told } = open(['hub', '']);
    at(2).focus();
    press('Backspace');
    expect(now()).toEqual(['hub']);
    expect(document.activeElement).toBe(at(1));
    fireEvent.change(at(1), { target: { value: '' } });
    press('Backspace');
    expect(told.at(-1)).toHaveLength(1);
  });

  it('Alt and the arrows move a line, which keeps the cursor', () => {
    const { now } = open(['hub', 'tower', 'blade']);
    at(1).focus();
    press('ArrowDown', { altKey: true });
    expect(now()).toEqual(['tower', 'hub', 'blade']);
    expect(document.activeElement).toBe(at(2));
    press('ArrowDown');
    expect(document.activeElement).toBe(at(3));
    press('ArrowDown', { altKey: true });
    expect(now()).toEqual(['tower', 'hub', 'blade']);
  });

  it('a pasted list falls into lines, and what finds no room is said', () => {
    const { now } = open(['hub', '']);
    const paste = (text: string): boolean =>
      fireEvent.paste(at(2), { clipboardData: { getData: () => text } });
    expect(paste('one word')).toBe(true);
    expect(paste('tower\n\n• blade\nrope\nring\nbolt')).toBe(false);
    expect(now()).toHaveLength(5);
    expect(now()[1]).toBe('tower');
    expect(screen.getByRole('alert').textContent).toContain('1 line was left out: there is room for 5.');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'name' }).disabled).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'Take name 1 out' }));
    expect(screen.queryByRole('alert')).toBeNull();
  });
});
