import type { MathfieldElement } from 'mathlive';

/** A maths field of our manner. The engine is fetched by those who need it. */
export async function makeField(): Promise<MathfieldElement> {
  const { MathfieldElement: Element } = await import('mathlive');
  // The faces are those of the formulas on the sheet, which are loaded already; nothing is fetched or sounded.
  Element.fontsDirectory = null;
  Element.soundsDirectory = null;
  const made = new Element();
  made.mathVirtualKeyboardPolicy = 'manual';
  return made;
}
