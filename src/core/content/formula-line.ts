/** What a command stands for, where it is one sign. */
const SIGNS = new Map(
  `alpha α beta β gamma γ delta δ epsilon ε varepsilon ε zeta ζ eta η theta θ vartheta ϑ iota ι kappa κ lambda λ mu μ nu ν
  xi ξ pi π rho ρ varrho ϱ sigma σ tau τ upsilon υ phi φ varphi φ chi χ psi ψ omega ω Gamma Γ Delta Δ Theta Θ Lambda Λ Xi Ξ
  Pi Π Sigma Σ Upsilon Υ Phi Φ Psi Ψ Omega Ω cdot · times × div ÷ pm ± mp ∓ ast * le ≤ leq ≤ ge ≥ geq ≥ ne ≠ neq ≠ approx ≈
  sim ∼ equiv ≡ propto ∝ infty ∞ partial ∂ nabla ∇ sum ∑ prod ∏ int ∫ to → rightarrow → leftarrow ← Rightarrow ⇒
  Leftrightarrow ⇔ leftrightarrow ↔ rightleftharpoons ⇌ in ∈ notin ∉ subset ⊂ cup ∪ cap ∩ emptyset ∅ forall ∀ exists ∃ neg ¬
  land ∧ lor ∨ angle ∠ perp ⊥ parallel ∥ circ ° degree ° prime ′ ldots … dots … cdots ⋯ mid | lvert | rvert | langle ⟨
  rangle ⟩ hbar ℏ ell ℓ`
    .split(/\s+/)
    .flatMap((name, i, all) => (i % 2 === 0 ? [[name, all[i + 1] ?? ''] as const] : [])),
);
/** Commands that say only how something looks. */
const LOOKS = new Set([
  'left',
  'right',
  'big',
  'Big',
  'bigl',
  'bigr',
  'Bigl',
  'Bigr',
  'displaystyle',
  'textstyle',
  'limits',
]);
const UP = new Map(Array.from('0123456789+-=()ni', (sign, i) => [sign, Array.from('⁰¹²³⁴⁵⁶⁷⁸⁹⁺⁻⁼⁽⁾ⁿⁱ')[i] ?? '']));
const DOWN = new Map(Array.from('0123456789+-=()', (sign, i) => [sign, Array.from('₀₁₂₃₄₅₆₇₈₉₊₋₌₍₎')[i] ?? '']));

/** Of a longer formula its beginning is told. */
const MOST = 400;

/**
 * A formula in LaTeX as one line of signs, to be recognised by in lists: `\frac{1}{2}\rho v^3` is 1/2ρ v³. It is no notation
 * that could be read back. What it does not know stands by its name.
 */
export function formulaLine(latex: string): string {
  const signs: string[] = latex.slice(0, MOST).match(/\\[a-zA-Z]+|\\.|[\s\S]/gu) ?? [];
  let at = 0;
  /** What stands up to the end, or up to the brace that closes. */
  const group = (): string => {
    let out = '';
    while (at < signs.length && signs[at] !== '}') out += next();
    at += 1;
    return out;
  };
  /** What a command or an index takes: a group, or one sign. */
  const taken = (): string => {
    while (signs[at] === ' ') at += 1;
    return at < signs.length && signs[at] !== '}' ? next() : '';
  };
  const root = (): string => {
    let index = '';
    if (signs[at] === '[') {
      const end = signs.indexOf(']', at);
      index = end < 0 ? '' : signs.slice(at + 1, end).join('');
      at = end < 0 ? signs.length : end + 1;
    }
    return `${index === '' ? '' : raised(index, UP, '')}√${held(taken())}`;
  };
  const next = (): string => {
    const sign = signs[at] ?? '';
    at += 1;
    if (sign === '{') return group();
    if (sign === '^') {
      const what = taken();
      return ['°', '′'].includes(what) ? what : raised(what, UP, '^');
    }
    if (sign === '_') return raised(taken(), DOWN, '_');
    if (sign === '&' || sign === '~') return ' ';
    // A brace that closes nothing.
    if (sign === '}') return '';
    if (!sign.startsWith('\\')) return sign;
    const name = sign.slice(1);
    if (/^[dt]?frac$/.test(name)) return `${held(taken())}/${held(taken())}`;
    if (name === 'sqrt') return root();
    if (LOOKS.has(name)) return '';
    const known = SIGNS.get(name);
    if (known !== undefined) return known;
    if (/^(text|math|operatorname|ce$|pu$|overline|vec|hat|bar)/.test(name)) return taken();
    if (name === 'begin' || name === 'end') {
      taken();
      return ' ';
    }
    if (/^([,;:! \\]|q?quad)$/.test(name)) return ' ';
    return /^[a-zA-Z]/.test(name) ? `${name} ` : name;
  };
  let line = '';
  while (at < signs.length) line += next();
  return line.replace(/\s+/g, ' ').trim();
}

/** In brackets where it is more than one number or one name. */
const held = (part: string): string => (/^(\p{L}|[\p{N}.,]+|)$/u.test(part.trim()) ? part.trim() : `(${part.trim()})`);

/** Raised or lowered, where all of it can be; behind a sign otherwise. */
function raised(part: string, signs: ReadonlyMap<string, string>, otherwise: string): string {
  const all = Array.from(
    part.replace(/[−\s]/g, (sign) => (sign === '−' ? '-' : '')),
    (sign) => signs.get(sign),
  );
  if (all.every((sign) => sign !== undefined)) return all.join('');
  return otherwise === '^' ? `^${held(part)}` : `${otherwise}${part.trim()}`;
}
