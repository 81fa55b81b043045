import { MathMLToLaTeX } from 'mathml-to-latex';
import { parseXml, type XmlNode } from '@/core/base/xml';
import { latexFromOmml } from '@/core/content/omml';

/** More than this is no paste but a document: it would neither be saved nor read. In characters. */
export const MOST_PASTED = 1_000_000;

/** Whether plain text reads as Markdown or LaTeX rather than as plain lines. */
export function looksLikeMarkdown(text: string): boolean {
  return /^#{1,4} \S|^\s*([-*+]|\d+[.)]) \S.*\n\s*([-*+]|\d+[.)]) \S|\*\*\p{L}|`[^`\n]+`|^```|\$\S[^$\n]*(?<=\S)\$(?!\d)|\$\$|\\\(|\\\[|^\|.*\|\s*\n\|?[\s:|-]+\|/mu.test(
    text,
  );
}

/** Stars between numbers or single letters are products, whatever Markdown makes of them. */
export function productsKept(text: string): string {
  return text.replace(/(?<=[\p{N})\]]|(?<!\p{L})\p{L})\*(?=[\p{N}([]|\p{L}(?!\p{L}))/gu, '\\*');
}

/** How the slots that come along are known here, and what is said of those that cannot. */
export interface Arrivals {
  /** Slots of this question, by id; a copy of one of them gets its own later. */
  known: ReadonlySet<string>;
  question: string;
  /** Takes a slot of another question; null when it cannot be read or has no place here. */
  arrive: (carried: string) => string | null;
}

/**
 * HTML from the clipboard as the sheet can hold it: equations become formulas, lists and headings of word processors
 * keep their form, answer slots of another question come along; scripts, frames and forms are gone.
 */
export function cleanPastedHtml(html: string, arrivals: Arrivals): string {
  const page = new DOMParser().parseFromString(equationsOut(html), 'text/html');
  for (const gone of page.querySelectorAll(
    'script, style, iframe, object, embed, form, link, meta, template, noscript',
  ))
    gone.remove();
  formulasOf(page);
  for (const slot of page.querySelectorAll<HTMLElement>('[data-inline-slot], [data-block-slot]')) {
    slotOf(slot, arrivals);
  }
  for (const picture of page.querySelectorAll('img')) picture.remove();
  for (const all of page.querySelectorAll('*')) {
    for (const { name } of [...all.attributes]) {
      if (
        !/^(data-formula|data-inline-slot|data-block-slot|data-media|data-description|data-width|data-ratio|data-align|data-caption|data-labels|data-recording|data-file|data-name|data-size|data-medium|data-captions|data-enlarge|data-pm-slice|colspan|rowspan|colwidth|data-colwidth|class|style)$/.test(
          name,
        )
      ) {
        all.removeAttribute(name);
      }
    }
  }
  headingsOf(page);
  listsOfWordProcessors(page);
  return page.body.innerHTML;
}

function slotOf(slot: HTMLElement, { known, question, arrive }: Arrivals): void {
  const { carried, of } = slot.dataset;
  const name = slot.hasAttribute('data-inline-slot') ? 'data-inline-slot' : 'data-block-slot';
  if ((of === undefined || of === question) && known.has(slot.getAttribute(name) ?? '')) return;
  const id = carried === undefined ? null : arrive(carried);
  if (id === null) slot.remove();
  else slot.setAttribute(name, id);
}

/** Formulas that a page drew, whatever drew them, as formulas again. */
function formulasOf(page: Document): void {
  for (const math of page.querySelectorAll('math')) {
    const drawn = math.closest('.katex-display, mjx-container, .MathJax_Display') ?? math.closest('.katex, .MathJax');
    const display =
      math.getAttribute('display') === 'block' || (drawn?.matches('.katex-display, .MathJax_Display') ?? false);
    const latex = latexOf(math);
    (drawn ?? math).replaceWith(...(latex ? [formula(page, latex, display)] : []));
  }
  for (const left of page.querySelectorAll('.katex, .MathJax, mjx-container')) left.remove();
}

/** Our sheets have two ranks of headings: the highest that came along becomes the first. */
function headingsOf(page: Document): void {
  for (const title of page.querySelectorAll('p.MsoTitle')) renamed(page, title, 'h1');
  const highest = page.querySelector('h1') ? 1 : 2;
  for (const heading of page.querySelectorAll('h1, h2, h3, h4, h5, h6')) {
    renamed(page, heading, Number(heading.tagName[1]) <= highest ? 'h2' : 'h3');
  }
}

function renamed(page: Document, element: Element, name: string): void {
  const fresh = page.createElement(name);
  fresh.append(...element.childNodes);
  element.replaceWith(fresh);
}

function formula(page: Document, latex: string, display: boolean): HTMLElement {
  const element = page.createElement(display ? 'div' : 'span');
  element.setAttribute('data-formula', latex);
  return element;
}

function latexOf(math: Element): string {
  const written = math.querySelector('annotation[encoding="application/x-tex"]')?.textContent;
  if (written) return written.trim();
  try {
    return MathMLToLaTeX.convert(new XMLSerializer().serializeToString(math)).trim();
  } catch {
    return math.textContent?.trim() ?? '';
  }
}

/** Word processors put equations into comments that only they read; taken out as formulas before the HTML is read. */
function equationsOut(html: string): string {
  return html.replace(/<!--\[if gte msEquation 12\]>([\s\S]*?)<!\[endif\]-->/g, (_, inner: string) => {
    const [, math] = /(<m:oMath>[\s\S]*<\/m:oMath>)/.exec(inner) ?? [];
    if (!math) return '';
    try {
      const nodes = parseXml(withoutHtml(math));
      const latex = nodes.map((node: XmlNode) => latexFromOmml(node)).join(' ');
      return `<span data-formula="${escapeAttribute(latex)}"></span>`;
    } catch {
      return '';
    }
  });
}

/** Equation runs hold HTML of their own around the signs; only the signs are wanted. */
function withoutHtml(math: string): string {
  return math.replace(/<m:r>([\s\S]*?)<\/m:r>/g, (_, run: string) => {
    const text = run.replace(/<m:rPr>[\s\S]*?<\/m:rPr>/g, '').replace(/<[^>]*>/g, '');
    return `<m:r><m:t>${text}</m:t></m:r>`;
  });
}

function escapeAttribute(text: string): string {
  return text.replace(/&/g, '&amp;').replace(/"/g, '&quot;').replace(/</g, '&lt;');
}

/** Paragraphs that a word processor only dressed as a list become a list, as deep as they stood. */
function listsOfWordProcessors(page: Document): void {
  let open: { list: HTMLElement; depth: number }[] = [];
  for (const paragraph of [...page.querySelectorAll('p')]) {
    const style = paragraph.getAttribute('style') ?? '';
    if (!/mso-list\s*:/.test(style) && !/MsoListParagraph/.test(paragraph.className)) {
      open = [];
      continue;
    }
    if (open[0] && open[0].list !== paragraph.previousElementSibling) open = [];
    const depth = Number(/\blevel(\d)/.exec(style)?.[1] ?? 1);
    open = open.filter((o) => o.depth <= depth);
    let list = open.at(-1);
    if (!list || list.depth < depth) {
      const element = page.createElement(isNumbered(paragraph) ? 'ol' : 'ul');
      if (list) (list.list.lastElementChild ?? list.list).append(element);
      else paragraph.before(element);
      list = { list: element, depth };
      open.push(list);
    }
    for (const bullet of paragraph.querySelectorAll('[style*="mso-list:Ignore" i], [style*="mso-list: Ignore" i]'))
      bullet.remove();
    const item = page.createElement('li');
    const inner = page.createElement('p');
    inner.append(...paragraph.childNodes);
    item.append(inner);
    list.list.append(item);
    paragraph.remove();
  }
}

function isNumbered(paragraph: Element): boolean {
  const sign = /^\s*([·•o§–-]|\(?\w{1,3}[.)])\s+/.exec((paragraph.textContent ?? '').replace(/\u00a0/g, ' '));
  return sign !== null && /\w/.test(sign[1] ?? '') && sign[1] !== 'o';
}
