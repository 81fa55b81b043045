import { act, cleanup, fireEvent, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keysNow, useKeys } from '../../src/ui/frame/keys';
import { useHistory } from '../../src/ui/parts/use-history';

const KEY = 'history of a desk';
beforeEach(() => {
  vi.useFakeTimers();
  sessionStorage.clear();
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  document.body.innerHTML = '';
});

const press = (key: string, target: Element = document.body, more: object = {}): boolean =>
  fireEvent.keyDown(target, { key, ...more });
const pass = (milliseconds: number) => act(() => vi.advanceTimersByTimeAsync(milliseconds));
/** Something to stand in, on the document. */
function place(markup: string): HTMLElement {
  const around = document.createElement('div');
  around.innerHTML = markup;
  document.body.append(around);
  return around.firstElementChild as HTMLElement;
}

describe('steps back', () => {
  it('are taken by keys wherever the cursor is, and taken again', () => {
    const { result } = renderHook(() => useHistory('one'));
    const field = place('<input>');
    act(() => result.current.change('two', 'apart'));
    act(() => result.current.change((now) => `${now}, three`, 'other'));
    press('z', field, { ctrlKey: true });
    expect(result.current.present).toBe('two');
    press('z', field, { ctrlKey: true });
    expect([result.current.present, result.current.canUndo]).toEqual(['one', false]);
    press('z', field, { ctrlKey: true });
    press('y', document.body, { metaKey: true });
    press('Z', document.body, { ctrlKey: true, shiftKey: true });
    expect([result.current.present, result.current.canRedo]).toEqual(['two, three', false]);
  });

  it('are none for what changes nothing', () => {
    const { result } = renderHook(() => useHistory('one'));
    act(() => result.current.change((now) => now));
    expect(result.current.canUndo).toBe(false);
  });

  it('outlive a reload, but only where it ends with what is loaded again', async () => {
    const first = renderHook(() => useHistory<{ words: string }>({ words: 'one' }, KEY));
    act(() => first.result.current.change({ words: 'two' }, 'apart'));
    await pass(400);
    first.unmount();
    const again = renderHook(() => useHistory({ words: 'two' }, KEY));
    await pass(10);
    act(() => again.result.current.undo());
    expect(again.result.current.present).toEqual({ words: 'one' });
    again.unmount();
    const other = renderHook(() => useHistory({ words: 'somebody else’s' }, KEY));
    await pass(10);
    expect(other.result.current.canUndo).toBe(false);
  });

  it('that cannot be kept, or read again, cost nothing but themselves', async () => {
    const full = vi.fn(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    vi.stubGlobal('sessionStorage', { getItem: () => '{"past":', setItem: full });
    const { result } = renderHook(() => useHistory('one', KEY));
    act(() => result.current.change('two', 'apart'));
    await pass(400);
    act(() => result.current.undo());
    expect(result.current.present).toBe('one');
    expect(full).toHaveBeenCalled();
    vi.unstubAllGlobals();
  });
});

describe('keys of a screen', () => {
  function open() {
    const run = vi.fn();
    renderHook(() =>
      useKeys([
        { keys: 'n', what: 'New', run },
        { keys: 'Enter', what: 'Take', run },
        { keys: 'Escape', what: 'Leave', run },
        { keys: '0–9', what: 'Marks', run },
        { keys: 'Ctrl+z', what: 'Undo', run },
      ]),
    );
    return run;
  }
  const ran = (run: ReturnType<typeof open>): unknown[] => run.mock.calls.map(([key]) => key as unknown);

  it('do what they say, and each once', () => {
    const run = open();
    for (const key of ['n', '7', 'Escape', 'x']) press(key);
    expect(ran(run)).toEqual(['n', '7', 'Escape']);
    expect(keysNow().map(({ what }) => what)).toEqual(['New', 'Take', 'Leave', 'Marks', 'Undo']);
    cleanup();
    press('n');
    expect([ran(run).length, keysNow()]).toEqual([3, []]);
  });

  it.each([
    ['<input>', []],
    ['<textarea></textarea>', []],
    ['<select></select>', []],
    ['<math-field></math-field>', []],
    ['<input type="checkbox">', ['n', '7']],
    ['<button></button>', ['n', '7']],
  ])('are letters where one types: %s', (markup, meant) => {
    const run = open();
    const target = place(markup);
    for (const key of ['n', '7']) press(key, target);
    expect(ran(run)).toEqual(meant);
    // What leaves, and what is held with Ctrl, is meant everywhere.
    press('Escape', target);
    press('z', target, { ctrlKey: true });
    expect(ran(run)).toEqual([...meant, 'Escape', 'z']);
  });

  it('leave Enter to the button or link that it is on', () => {
    const run = open();
    press('Enter', place('<button><span>Go</span></button>').firstElementChild ?? document.body);
    press('Enter', place('<a href="/">Go</a>'));
    expect(ran(run)).toEqual([]);
    press('Enter');
    expect(ran(run)).toEqual(['Enter']);
  });

  it('do nothing behind a window, and nothing that was meant already', () => {
    const run = open();
    place('<div class="modal show"></div>');
    press('n');
    press('z', document.body, { ctrlKey: true });
    document.body.innerHTML = '';
    press('n', document.body, { altKey: true });
    const field = place('<p></p>');
    field.addEventListener('keydown', (event) => event.preventDefault());
    press('n', field);
    expect(ran(run)).toEqual([]);
  });
});
