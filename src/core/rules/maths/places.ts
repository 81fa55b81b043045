/** A place in a formula: `\placeholder[id]{what stands in it}`. */
export interface FormulaPlace {
  id: string;
  content: string;
  from: number;
  to: number;
}

const BEGIN = /\\placeholder(?:\[([a-z0-9]{1,12})\])?(?:\[[a-z]*\])?\{/g;

/** The places of a formula, in reading order. Braces that do not close end with the formula. Places inside places are none. */
export function placesIn(latex: string): FormulaPlace[] {
  const found: FormulaPlace[] = [];
  for (const match of latex.matchAll(BEGIN)) {
    const from = match.index;
    if (from < (found.at(-1)?.to ?? 0)) continue;
    let depth = 1;
    let at = from + match[0].length;
    const start = at;
    while (at < latex.length && depth > 0) {
      if (latex[at] === '\\') at += 1;
      else if (latex[at] === '{') depth += 1;
      else if (latex[at] === '}') depth -= 1;
      at += 1;
    }
    const end = depth === 0 ? at - 1 : at;
    found.push({ id: match[1] ?? '', content: latex.slice(start, end).trim(), from, to: Math.min(at, latex.length) });
  }
  return found;
}

/** The formula with every place replaced. */
export function fillPlaces(latex: string, fill: (place: FormulaPlace, index: number) => string): string {
  let out = '';
  let at = 0;
  placesIn(latex).forEach((place, index) => {
    out += latex.slice(at, place.from) + fill(place, index);
    at = place.to;
  });
  return out + latex.slice(at);
}

/** The formula with its places named p1, p2 … where they have no name yet, or one that stands before. */
export function withNamedPlaces(latex: string): string {
  const taken = new Set(placesIn(latex).map(({ id }) => id));
  const seen = new Set<string>();
  return fillPlaces(latex, ({ id, content }) => {
    let name = id;
    if (name === '' || seen.has(name)) {
      let n = 1;
      while (taken.has(`p${n}`)) n += 1;
      name = `p${n}`;
      taken.add(name);
    }
    seen.add(name);
    return `\\placeholder[${name}]{${content}}`;
  });
}
