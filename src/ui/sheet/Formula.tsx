import type { DrawnFormulas } from './formulas';

export function Formula({ latex, display = false, drawn }: { latex: string; display?: boolean; drawn: DrawnFormulas }) {
  const html = drawn[`${display ? 'd' : 'i'}:${latex}`];
  if (html === undefined) return <span className="formula mono">{latex}</span>;
  // The HTML comes from the formula engine with trust switched off, never from a person.
  return <span className={display ? 'formula block' : 'formula'} dangerouslySetInnerHTML={{ __html: html }} />;
}

/** Plain text in which $…$ is a formula. */
export function TextWithFormulas({ text, drawn }: { text: string; drawn: DrawnFormulas }) {
  return text
    .split(/(\$[^$]+\$)/)
    .map((part, i) =>
      part.length > 2 && part.startsWith('$') && part.endsWith('$') ? (
        <Formula key={i} latex={part.slice(1, -1)} drawn={drawn} />
      ) : (
        part
      ),
    );
}
