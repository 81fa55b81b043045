import { act, fireEvent } from '@testing-library/react';

/** What is typed into whatever stands there. */
const TYPED = [
  '',
  ' ',
  '0',
  '12',
  '-3,5',
  '1e999',
  '1/0',
  '½',
  '7 kW',
  'rotor',
  'rotor; hub / tower',
  'a|b\nc\td',
  '(((((',
  '\\frac{1}{',
  '<b onclick=x>{{[[',
  '“‘’” ‮ \u0000 \uD800',
  '🌬'.repeat(50),
  'wind '.repeat(2000),
];
const KEYS = [
  'Enter',
  'Escape',
  'Backspace',
  'Delete',
  'ArrowUp',
  'ArrowDown',
  'ArrowLeft',
  'ArrowRight',
  'Tab',
  ' ',
  '/',
  '?',
];
const CONTROLS = 'input, textarea, select, button, [tabindex="0"], [role="option"], [contenteditable="true"]';

/** The same numbers for the same beginning (mulberry32, public domain, from memory). */
function numbersFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** A hand that clicks and types at random, everywhere on the document, as often as it is told; the same for the same seed. */
export async function hastyHand(seed: number, acts: number): Promise<void> {
  const next = numbersFrom(seed);
  const one = <T>(all: readonly T[]): T | undefined => all[Math.floor(next() * all.length)];
  for (let i = 0; i < acts; i++) {
    const enabled = [...document.body.querySelectorAll<HTMLElement>(CONTROLS)].filter(
      (control) => !control.matches(':disabled, [readonly], [type="file"]'),
    );
    const control = one(enabled);
    if (!control) return;
    await act(async () => {
      if (next() < 0.15) fireEvent.keyDown(control, { key: one(KEYS), altKey: next() < 0.3 });
      else use(control, one);
      if (next() < 0.3) fireEvent.blur(control);
      await Promise.resolve();
    });
  }
}

function use(control: HTMLElement, one: <T>(all: readonly T[]) => T | undefined): void {
  const ticked = control instanceof HTMLInputElement && ['checkbox', 'radio'].includes(control.type);
  const written = control instanceof HTMLInputElement || control instanceof HTMLTextAreaElement;
  if (control instanceof HTMLInputElement && control.type === 'range') {
    // A browser lets no words into it.
    fireEvent.change(control, { target: { value: one([control.min, control.max]) } });
  } else if (written && !ticked) {
    const most = control.maxLength > 0 ? control.maxLength : Number.POSITIVE_INFINITY;
    fireEvent.change(control, { target: { value: (one(TYPED) ?? '').slice(0, most) } });
  } else if (control instanceof HTMLSelectElement) {
    const option = one([...control.options].filter(({ disabled }) => !disabled));
    if (option) fireEvent.change(control, { target: { value: option.value } });
  } else {
    fireEvent.click(control);
  }
}
