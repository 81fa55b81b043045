import type { MathfieldElement } from 'mathlive';

let engine: typeof MathfieldElement | null = null;

let fetching: Promise<void> | null = null;
/** How long after a failure it is fetched again, in milliseconds. */
const AGAIN_IN = 2000;

/** Fetches the engine of maths fields, again and again until it is there; whoever may need one soon fetches it before. */
export function fetchFieldEngine(): Promise<void> {
  fetching ??= fetchUntilThere();
  return fetching;
}

async function fetchUntilThere(): Promise<void> {
  while (!engine) {
    try {
      const { MathfieldElement: Element } = await import('mathlive');
      // The faces are those of the formulas on the sheet, which are loaded already; nothing is fetched or sounded.
      Element.fontsDirectory = null;
      Element.soundsDirectory = null;
      engine = Element;
    } catch {
      // The network is away; what is typed meanwhile stands in the field that waits.
      await new Promise((again) => setTimeout(again, AGAIN_IN));
    }
  }
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
