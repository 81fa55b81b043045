/** A further wording for a point, or the opposite of one, to be refused; offered and never added unasked. */
export interface Proposal {
  wording: string;
  /** Where it comes from, best first. */
  from: 'topic' | 'list' | 'symbol' | 'same' | 'narrower' | 'opposite';
  /** The word that it stands for. */
  instead: string;
}

/** Signs and short forms that stand for words, both ways (common practice, no source; formulas and units by their standards). */
const SIGNS: readonly (readonly string[])[] = [
  ['per cent', 'percent', '%'],
  ['approximately', 'about', 'approx.', 'roughly', 'circa'],
  ['maximum', 'max.', 'greatest', 'highest'],
  ['minimum', 'min.', 'least', 'lowest'],
  ['temperature', 'temp.'],
  ['concentration', 'conc.'],
  ['pressure', 'P'],
  ['diameter', 'dia.', 'Ø'],
  ['number', 'no.'],
  ['increase', 'rise', 'go up', '↑'],
  ['decrease', 'fall', 'go down', '↓'],
  ['equals', 'is equal to', '='],
  ['carbon dioxide', 'CO2'],
  ['oxygen', 'O2'],
  ['nitrogen', 'N2'],
  ['hydrogen', 'H2'],
  ['water', 'H2O'],
  ['sodium', 'Na'],
  ['potassium', 'K'],
  ['direct current', 'DC'],
  ['alternating current', 'AC'],
  ['volt', 'V'],
  ['ampere', 'amp', 'A'],
  ['watt', 'W'],
  ['kilowatt', 'kW'],
  ['megawatt', 'MW'],
  ['newton', 'N'],
  ['joule', 'J'],
  ['pascal', 'Pa'],
  ['hertz', 'Hz'],
  ['ohm', 'Ω'],
  ['revolutions per minute', 'rpm'],
  ['metres per second', 'm/s'],
];

const plain = (word: string): string => word.trim().toLowerCase();

/** Signs and short forms that stand for a word, or words that stand for a sign. */
export function signsFor(word: string): string[] {
  return SIGNS.filter((set) => set.some((one) => plain(one) === plain(word))).flatMap((set) =>
    set.filter((one) => plain(one) !== plain(word)),
  );
}

const RANK: readonly Proposal['from'][] = ['topic', 'list', 'symbol', 'same', 'narrower', 'opposite'];

/** Proposals in the order of their sources, each once, without what stands there already; `most` of them. */
export function ranked(all: readonly Proposal[], known: readonly string[], most = 60): Proposal[] {
  const seen = new Set(known.map(plain));
  return [...all]
    .sort((a, b) => RANK.indexOf(a.from) - RANK.indexOf(b.from))
    .filter(({ wording }) => {
      if (seen.has(plain(wording))) return false;
      seen.add(plain(wording));
      return true;
    })
    .slice(0, most);
}
