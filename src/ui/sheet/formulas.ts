import katex from 'katex';
import 'katex/contrib/mhchem';
import type { QuestionSheet } from '@/core/bank/sheet';
import { type Content, nodesOf } from '@/core/content/document';

/** Formulas drawn as HTML with MathML, by `formulaKey`. Made on the server, so that students need no formula engine. */
export type DrawnFormulas = Record<string, string>;

export function formulaKey(latex: string, display: boolean): string {
  return `${display ? 'd' : 'i'}:${latex}`;
}

const OPTIONS = {
  throwOnError: false,
  strict: 'ignore',
  trust: false,
  maxExpand: 300,
  maxSize: 20,
  output: 'htmlAndMathml',
} as const;

/**
 * A formula as safe HTML. A wrong one shows its source in red. Expansion and size are bounded and nesting beyond reason
 * is shown as source too, so no formula can hang or break a page.
 */
export function drawFormula(latex: string, display: boolean): string {
  try {
    return katex.renderToString(latex, { ...OPTIONS, displayMode: display });
  } catch {
    const source = latex.slice(0, 200).replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);
    return `<span class="katex-error">${source}</span>`;
  }
}

/** LaTeX of the formulas in plain text, written $…$. */
function formulasInText(text: string): string[] {
  return [...text.matchAll(/\$([^$]+)\$/g)].map((match) => match[1] ?? '');
}

/** The formulas of plain texts, drawn; each text by itself, so that a lone sign in one spoils no other. */
export function drawTextFormulas(...texts: string[]): DrawnFormulas {
  const all = new Set(texts.flatMap(formulasInText));
  return Object.fromEntries([...all].map((latex) => [formulaKey(latex, false), drawFormula(latex, false)]));
}

function* stringsIn(value: unknown): Generator<string> {
  if (typeof value === 'string') yield value;
  else if (Array.isArray(value)) for (const part of value) yield* stringsIn(part);
  else if (value !== null && typeof value === 'object') for (const part of Object.values(value)) yield* stringsIn(part);
}

export function drawContentFormulas(content: Content): DrawnFormulas {
  const drawn: DrawnFormulas = {};
  for (const node of nodesOf(content)) {
    if (node.type === 'formula' || node.type === 'blockFormula') {
      const display = node.type === 'blockFormula';
      drawn[formulaKey(node.attrs.latex, display)] = drawFormula(node.attrs.latex, display);
    }
  }
  return drawn;
}

/** Every formula of a question's sheet, those in options included. */
export function drawSheetFormulas(sheet: QuestionSheet): DrawnFormulas {
  const drawn = drawContentFormulas(sheet.content);
  if (sheet.passage) Object.assign(drawn, drawContentFormulas(sheet.passage.content));
  for (const slot of Object.values(sheet.slots)) {
    for (const text of stringsIn(slot.sheet)) Object.assign(drawn, drawTextFormulas(text));
  }
  return drawn;
}
