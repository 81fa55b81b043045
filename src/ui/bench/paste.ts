import { MathMLToLaTeX } from 'mathml-to-latex';
import { parseXml, type XmlNode } from '@/core/base/xml';
import { latexFromOmml } from '@/core/content/omml';

/** Whether plain text reads as Markdown or LaTeX rather than as plain lines. */
export function looksLikeMarkdown(text: string): boolean {
  return /^#{1,4} \S|^\s*([-*+]|\d+[.)]) \S.*\n\s*([-*+]|\d+[.)]) \S|\*\*\S|`[^`\n]+`|^```|\$\S[^$\n]*\S\$|\$\$|\\\(|\\\[|^\|.*\|\s*\n\|?[\s:|-]+\|/m.test(
    text,
  );
}

/**
 * HTML from the clipboard as the sheet can hold it: equations become formulas,
 * lists of word processors become lists; scripts, frames, forms and pictures
 * by address are gone, and so are answer slots of another question.
 */
export function cleanPastedHtml(html: string, knownSlots: ReadonlySet<string>): string {
  const page = new DOMParser().parseFromString(equationsOut(html), 'text/html');
  for (const gone of page.querySelectorAll(
    'script, style, iframe, object, embed, form, link, meta, template, noscript',
  ))
    gone.remove();
  for (const math of page.querySelectorAll('math')) {
    const latex = latexOf(math);
    math.replaceWith(...(latex ? [formula(page, latex, math.getAttribute('display') === 'block')] : []));
  }
  for (const annotated of page.querySelectorAll('.katex, .MathJax')) annotated.remove();
  for (const slot of page.querySelectorAll<HTMLElement>('[data-inline-slot], [data-block-slot]')) {
    if (!knownSlots.has(slot.dataset.inlineSlot ?? slot.dataset.blockSlot ?? '')) slot.remove();
  }
  for (const picture of page.querySelectorAll('img')) picture.remove();
  for (const all of page.querySelectorAll('*')) {
    for (const { name } of [...all.attributes]) {
      if (
        !/^(data-formula|data-inline-slot|data-block-slot|data-media|data-description|data-width|data-ratio|data-align|data-caption|data-recording|data-medium|data-captions|data-enlarge|colspan|rowspan|colwidth|data-colwidth|class|style)$/.test(
          name,
        )
      ) {
        all.removeAttribute(name);
      }
    }
  }
  listsOfWordProcessors(page);
  return page.body.innerHTML;
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

/** Paragraphs that a word processor only dressed as a list become a list. */
function listsOfWordProcessors(page: Document): void {
  let list: HTMLElement | null = null;
  for (const paragraph of [...page.querySelectorAll('p')]) {
    const style = paragraph.getAttribute('style') ?? '';
    if (!/mso-list\s*:/.test(style) && !/MsoListParagraph/.test(paragraph.className)) {
      list = null;
      continue;
    }
    const text = paragraph.textContent ?? '';
    const sign = /^\s*([·•o§–-]|\(?\w{1,3}[.)])\s+/.exec(text.replace(/\u00a0/g, ' '));
    if (!list || list !== paragraph.previousElementSibling) {
      list = page.createElement(sign && /\w/.test(sign[1] ?? '') && sign[1] !== 'o' ? 'ol' : 'ul');
      paragraph.before(list);
    }
    for (const bullet of paragraph.querySelectorAll('[style*="mso-list:Ignore" i], [style*="mso-list: Ignore" i]'))
      bullet.remove();
    const item = page.createElement('li');
    const inner = page.createElement('p');
    inner.append(...paragraph.childNodes);
    item.append(inner);
    list.append(item);
    paragraph.remove();
  }
}
