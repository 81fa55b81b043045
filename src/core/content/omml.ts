import { child, textOf, type XmlNode } from '../base/xml';

/**
 * Office Math (the equations of word processors, ECMA-376 part 1, 22.1) as
 * LaTeX. What has no LaTeX of its own is taken by its text, so that nothing
 * of an equation is lost silently.
 */
export function latexFromOmml(math: XmlNode): string {
  return all(math.children).replace(/\s+/g, ' ').trim();
}

const all = (nodes: readonly XmlNode[]): string => nodes.map(one).join('');
const part = (node: XmlNode, name: string): string => all(child(node, name)?.children ?? []).trim();
const group = (node: XmlNode, name: string): string => `{${part(node, name)}}`;

/** The value of a property such as <m:naryPr><m:chr m:val="∑"/></m:naryPr>. */
function property(node: XmlNode, name: string): string | undefined {
  const properties = node.children.find((c) => c.name.endsWith('Pr'));
  const found = child(properties, `m:${name}`);
  return found && (found.attributes['m:val'] ?? found.attributes.val ?? '1');
}

const FUNCTIONS = new Set(
  'sin cos tan cot sec csc arcsin arccos arctan sinh cosh tanh log ln exp lim min max det gcd deg dim'.split(' '),
);
const BIG: Record<string, string> = {
  '∑': '\\sum',
  '∏': '\\prod',
  '∫': '\\int',
  '∬': '\\iint',
  '∮': '\\oint',
  '⋃': '\\bigcup',
  '⋂': '\\bigcap',
};
const ACCENTS: Record<string, string> = {
  '\u0302': '\\hat',
  '\u0303': '\\tilde',
  '\u0304': '\\bar',
  '\u0305': '\\overline',
  '\u0307': '\\dot',
  '\u0308': '\\ddot',
  '\u20d7': '\\vec',
};
const FENCES: Record<string, string> = {
  '{': '\\{',
  '}': '\\}',
  '⟨': '\\langle ',
  '⟩': '\\rangle ',
  '‖': '\\|',
  '⌊': '\\lfloor ',
  '⌋': '\\rfloor ',
  '⌈': '\\lceil ',
  '⌉': '\\rceil ',
  '': '.',
};
const fence = (sign: string): string => FENCES[sign] ?? sign;

function one(node: XmlNode): string {
  switch (node.name) {
    case 'm:r':
      return run(node);
    case 'm:f': {
      const [num, den] = [group(node, 'm:num'), group(node, 'm:den')];
      const type = property(node, 'type');
      if (type === 'lin' || type === 'skw') return `${num}/${den}`;
      return type === 'noBar' ? `\\binom${num}${den}` : `\\frac${num}${den}`;
    }
    case 'm:sSup':
      return `${base(node)}^${group(node, 'm:sup')}`;
    case 'm:sSub':
      return `${base(node)}_${group(node, 'm:sub')}`;
    case 'm:sSubSup':
      return `${base(node)}_${group(node, 'm:sub')}^${group(node, 'm:sup')}`;
    case 'm:sPre':
      return `{}_${group(node, 'm:sub')}^${group(node, 'm:sup')}${base(node)}`;
    case 'm:rad': {
      const degree = part(node, 'm:deg');
      return `\\sqrt${degree ? `[${degree}]` : ''}${group(node, 'm:e')}`;
    }
    case 'm:d': {
      const [open, close] = [property(node, 'begChr') ?? '(', property(node, 'endChr') ?? ')'];
      const inner = node.children.filter((c) => c.name === 'm:e').map((e) => all(e.children).trim());
      return `\\left${fence(open)}${inner.join(property(node, 'sepChr') ?? '|')}\\right${fence(close)}`;
    }
    case 'm:nary': {
      const sign = property(node, 'chr') ?? '∫';
      const [sub, sup] = [part(node, 'm:sub'), part(node, 'm:sup')];
      return `${BIG[sign] ?? sign}${sub && `_{${sub}}`}${sup && `^{${sup}}`} ${part(node, 'm:e')}`;
    }
    case 'm:func': {
      const name = part(node, 'm:fName');
      return `${FUNCTIONS.has(name) ? `\\${name}` : name} ${group(node, 'm:e')}`;
    }
    case 'm:limLow':
      return `${functionName(part(node, 'm:e'))}_${group(node, 'm:lim')}`;
    case 'm:limUpp':
      return `${functionName(part(node, 'm:e'))}^${group(node, 'm:lim')}`;
    case 'm:acc':
      return `${ACCENTS[property(node, 'chr') ?? '\u0302'] ?? '\\hat'}${group(node, 'm:e')}`;
    case 'm:bar':
      return `${property(node, 'pos') === 'bot' ? '\\underline' : '\\overline'}${group(node, 'm:e')}`;
    case 'm:m': {
      const rows = node.children.filter((c) => c.name === 'm:mr');
      const cells = rows.map((row) => row.children.filter((c) => c.name === 'm:e').map((e) => all(e.children).trim()));
      return `\\begin{matrix}${cells.map((row) => row.join(' & ')).join(' \\\\ ')}\\end{matrix}`;
    }
    case 'm:eqArr': {
      const rows = node.children.filter((c) => c.name === 'm:e').map((e) => all(e.children).trim());
      return `\\begin{aligned}${rows.join(' \\\\ ')}\\end{aligned}`;
    }
    case '#text':
      return '';
    default:
      return node.name.endsWith('Pr') ? '' : all(node.children);
  }
}

function functionName(name: string): string {
  return FUNCTIONS.has(name) ? `\\${name}` : name;
}

/** What a script hangs on; braces when it is more than one sign. */
function base(node: XmlNode): string {
  const inner = part(node, 'm:e');
  return /^(\\[a-zA-Z]+|.)$/u.test(inner) ? inner : `{${inner}}`;
}

const SIGNS: Record<string, string> = {
  '×': '\\times ',
  '⋅': '\\cdot ',
  '·': '\\cdot ',
  '÷': '\\div ',
  '±': '\\pm ',
  '≤': '\\le ',
  '≥': '\\ge ',
  '≠': '\\ne ',
  '≈': '\\approx ',
  '∞': '\\infty ',
  '∂': '\\partial ',
  '∆': '\\Delta ',
  '→': '\\to ',
  '∈': '\\in ',
  '°': '^{\\circ}',
  '−': '-',
  '%': '\\%',
  '#': '\\#',
  '&': '\\&',
  _: '\\_',
};
const GREEK =
  'alpha beta gamma delta epsilon zeta eta theta iota kappa lambda mu nu xi omicron pi rho sigmaf sigma tau upsilon phi chi psi omega'.split(
    ' ',
  );

/** A sign of mathematics in LaTeX: Greek letters, operators; others as they are. */
export function latexSign(sign: string): string {
  const known = SIGNS[sign];
  if (known !== undefined) return known;
  const plain = sign.normalize('NFKC');
  const code = plain.codePointAt(0) ?? 0;
  const small = GREEK[code - 0x3b1];
  if (code >= 0x3b1 && code <= 0x3c9 && small)
    return small === 'omicron' ? 'o' : `\\${small === 'sigmaf' ? 'varsigma' : small} `;
  const large = GREEK[code - 0x391];
  if (code >= 0x391 && code <= 0x3a9 && large) {
    const name = large[0]?.toUpperCase() + large.slice(1);
    return /^(Gamma|Delta|Theta|Lambda|Xi|Pi|Sigma|Upsilon|Phi|Psi|Omega)$/.test(name) ? `\\${name} ` : plain;
  }
  return plain;
}

function run(node: XmlNode): string {
  const text = node.children
    .filter((c) => c.name === 'm:t')
    .map(textOf)
    .join('');
  const normal = node.children.some(
    (c) => c.name === 'm:rPr' && (child(c, 'm:nor') ?? child(c, 'm:sty')?.attributes['m:val'] === 'p'),
  );
  const signs = [...text].map(latexSign).join('');
  return normal && /^[A-Za-z]{2,}/.test(text.trim()) && !FUNCTIONS.has(text.trim()) ? `\\text{${text}}` : signs;
}
