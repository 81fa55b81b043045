import type { MathfieldElement } from 'mathlive';

let engine: typeof MathfieldElement | null = null;

/** Fetches the engine of maths fields; whoever may need one soon fetches it before. */
export async function fetchFieldEngine(): Promise<void> {
  if (engine) return;
  const { MathfieldElement: Element } = await import('mathlive');
  // The faces are those of the formulas on the sheet, which are loaded already; nothing is fetched or sounded.
  Element.fontsDirectory = null;
  Element.soundsDirectory = null;
  engine = Element;
}

function listen(field: MathfieldElement): void {
  field.shadowRoot?.querySelector<HTMLElement>('[part="keyboard-sink"]')?.focus({ preventScroll: true });
}

/** A maths field of our manner; null while the engine is not there yet. */
export function makeField(): MathfieldElement | null {
  if (!engine) return null;
  const made = new engine();
  made.mathVirtualKeyboardPolicy = 'manual';
  // By itself it takes keys only 60 ms after it has the focus; a fast hand would lose letters.
  made.addEventListener('focus', () => listen(made));
  const focus = made.focus.bind(made);
  made.focus = () => {
    focus();
    listen(made);
  };
  return made;
}
