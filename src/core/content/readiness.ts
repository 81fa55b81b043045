import { type Finding, stops, warns } from '../base/finding';
import { type Content, nodesOf } from './document';

const FILE_NAME = /\.(png|jpe?g|gif|webp|svg|avif|heic|tiff?|bmp)$|^(img|dsc|image|screenshot|scan)[-_ ]?\d+/i;

/** What is wrong or missing in the content itself: pictures without a description, formulas that do not close. */
export function contentReadiness(content: Content): Finding[] {
  const findings: Finding[] = [];
  for (const node of nodesOf(content)) {
    if (node.type === 'picture') {
      if (node.attrs.labels.some((label) => label.text.trim() === ''))
        findings.push(warns('picture-label-empty', ['picture', node.attrs.media]));
      const description = node.attrs.description.trim();
      if (description === '') findings.push(warns('picture-undescribed', ['picture', node.attrs.media]));
      else if (FILE_NAME.test(description))
        findings.push(warns('picture-file-name', ['picture', node.attrs.media], { description }));
    }
    if (node.type === 'page' && node.attrs.description.trim() === '')
      findings.push(warns('page-undescribed', ['page']));
    if (node.type === 'recording') {
      if (node.attrs.description.trim() === '')
        findings.push(warns('recording-undescribed', ['recording', node.attrs.media]));
      if (node.attrs.medium === 'film' && node.attrs.captions === null)
        findings.push(warns('film-without-captions', ['recording', node.attrs.media]));
    }
    if ((node.type === 'formula' || node.type === 'blockFormula') && !balanced(node.attrs.latex)) {
      findings.push(stops('formula-unbalanced', ['formula'], { latex: node.attrs.latex }));
    }
  }
  return findings;
}

/** Whether every brace of a LaTeX text closes; escaped braces do not count. */
function balanced(latex: string): boolean {
  let depth = 0;
  for (const brace of latex.replace(/\\[\\{}]/g, '').match(/[{}]/g) ?? []) {
    depth += brace === '{' ? 1 : -1;
    if (depth < 0) return false;
  }
  return depth === 0;
}
