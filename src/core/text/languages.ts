import { francAll } from 'franc-min';
import type { StemLanguage } from './stems';

/**
 * What a reader knows of a language without understanding it: words that carry
 * no matter of their own, and the few that turn or part what is said. Small
 * letters, without accents and apostrophes (common practice, no source).
 */
export interface LanguageWords {
  /** Articles and the like, which say nothing between the words of a phrase. */
  determiners: ReadonlySet<string>;
  /** What makes a sentence of other words, determiners included. */
  function: ReadonlySet<string>;
  /** Words that deny what stands beside them. */
  denials: ReadonlySet<string>;
  /** Words that take from what stands right behind them ("less blood"). */
  lessening: ReadonlySet<string>;
  /** Verbs that may stand between a thing and its denial ("is not"). */
  auxiliaries: ReadonlySet<string>;
  /** Words after which another statement begins ("but", "because"). */
  turns: ReadonlySet<string>;
  ands: ReadonlySet<string>;
  ors: ReadonlySet<string>;
  /** Cues that what was said before is taken back. */
  corrections: readonly string[];
}

const set = (words: string): ReadonlySet<string> => new Set(words.trim().split(/\s+/));

function language(words: {
  determiners: string;
  function: string;
  denials: string;
  lessening: string;
  auxiliaries: string;
  turns: string;
  ands: string;
  ors: string;
  corrections: string[];
}): LanguageWords {
  const { determiners, denials, auxiliaries, turns, ands, ors } = words;
  return {
    determiners: set(determiners),
    function: set([words.function, determiners, denials, auxiliaries, turns, ands, ors].join(' ')),
    denials: set(denials),
    lessening: set(words.lessening),
    auxiliaries: set(auxiliaries),
    turns: set(turns),
    ands: set(ands),
    ors: set(ors),
    corrections: words.corrections,
  };
}

export const LANGUAGE_WORDS: Readonly<Record<StemLanguage, LanguageWords>> = {
  en: language({
    determiners: 'a an the this that these those its his her their our your my',
    function:
      'i you he she it we they me him us them itself themselves myself of to in on at by for from with into onto out over under up down off about as like than then so too very much more most many some any all each every both such same other only just also even still here there what who whom whose how if when where why let get gets got make makes made go goes one ones way thing things think know mean means because',
    denials:
      'fail fails failed failing unable not no without never neither nor none cannot hardly nothing nobody nowhere lacks lacking lack instead isnt arent wasnt werent doesnt dont didnt cant wont wouldnt shouldnt couldnt mustnt havent hasnt hadnt neednt aint',
    lessening: 'less fewer little reduced insufficient',
    auxiliaries:
      'is are was were be been being am do does did done has have had having can could will would shall should may might must need needs',
    turns: 'but whereas while although though however because since so unless except yet when if which who where',
    ands: 'and plus',
    ors: 'or either',
    corrections: ['i mean', 'i meant', 'no sorry', 'sorry', 'correction', 'or rather', 'no wait', 'scrap that'],
  }),
  es: language({
    determiners: 'el la los las un una unos unas este esta estos estas ese esa su sus mi tu lo',
    function:
      'de del a al en con por para sobre entre hasta desde se me te le les nos que como mas muy mucho mucha muchos muchas tambien ya asi tan tanto todo toda todos todas cada otro otra esto eso hay yo el ella ellos ellas cuando donde quien cual si',
    denials: 'no sin nunca jamas ni ningun ninguno ninguna nada nadie tampoco falta',
    lessening: 'menos poco poca pocos pocas',
    auxiliaries:
      'es son era eran ser esta estan estar fue ha han haber hay puede pueden debe deben tiene tienen hace hacen',
    turns: 'pero sino mientras aunque porque pues cuando si',
    ands: 'y e',
    ors: 'o u',
    corrections: ['quiero decir', 'mejor dicho', 'perdon', 'digo'],
  }),
  fr: language({
    determiners: 'le la les l un une des du d ce cet cette ces son sa ses leur leurs mon ma mes',
    function:
      'de a au aux en dans sur sous par pour avec entre vers chez je tu il elle on nous vous ils elles se s me m te t y lui que qu qui quoi dont plus tres trop aussi bien comme ainsi alors puis tout toute tous toutes chaque autre autres c cela ca ceci si quand',
    denials: 'pas ne n sans jamais aucun aucune rien personne ni non',
    lessening: 'moins peu',
    auxiliaries: 'est sont etait etaient etre a ont avoir avait peut peuvent doit doivent faut fait font va vont',
    turns: 'mais tandis alors quoique cependant parce car quand si',
    ands: 'et',
    ors: 'ou soit',
    corrections: ['je veux dire', 'ou plutot', 'pardon', 'non plutot'],
  }),
  de: language({
    determiners: 'der die das den dem des ein eine einen einem einer eines dieser diese dieses ihr ihre sein seine',
    function:
      'ich du er sie es wir ihr man sich mich mir dir ihm ihn uns zu zum zur in im an am auf aus bei beim mit nach von vom vor uber unter durch fur um als wie so sehr mehr auch noch schon nur dann da dort hier was wer wo jede jeder jedes alle alles andere dass',
    denials: 'nicht kein keine keinen keinem keiner ohne nie niemals weder noch nichts niemand statt',
    lessening: 'weniger wenig wenige',
    auxiliaries:
      'ist sind war waren sein wird werden wurde hat haben hatte kann konnen muss mussen soll darf braucht macht',
    turns: 'aber sondern wahrend obwohl jedoch weil denn wenn',
    ands: 'und sowie',
    ors: 'oder entweder',
    corrections: ['ich meine', 'besser gesagt', 'beziehungsweise', 'quatsch'],
  }),
};

const union = (pick: (words: LanguageWords) => ReadonlySet<string>): ReadonlySet<string> =>
  new Set(Object.values(LANGUAGE_WORDS).flatMap((words) => [...pick(words)]));

/** Where no language is said. Words that are something else in English ("die", "sin", "pas") are left out of the others. */
const ANY: LanguageWords = {
  determiners: LANGUAGE_WORDS.en.determiners,
  function: union((words) => words.function),
  denials: new Set(
    [...union((words) => words.denials)].filter((word) => !['noch', 'falta', 'personne', 'statt', 'n'].includes(word)),
  ),
  lessening: union((words) => words.lessening),
  auxiliaries: union((words) => words.auxiliaries),
  turns: LANGUAGE_WORDS.en.turns,
  ands: union((words) => words.ands),
  ors: new Set(['or', 'either', 'oder', 'ou', 'o']),
  corrections: LANGUAGE_WORDS.en.corrections,
};

/** The small words of a language; `none` knows a little of each. */
export function wordsOfLanguage(name: StemLanguage | 'none'): LanguageWords {
  return name === 'none' ? ANY : LANGUAGE_WORDS[name];
}

const NUMBERS: readonly (readonly [number, string])[] = [
  [0, 'zero cero null'],
  [1, 'one uno eins'],
  [2, 'two dos deux zwei'],
  [3, 'three tres trois drei'],
  [4, 'four cuatro quatre vier'],
  [5, 'five cinco cinq funf'],
  [6, 'six seis sechs'],
  [7, 'seven siete sept sieben'],
  [8, 'eight ocho huit acht'],
  [9, 'nine nueve neuf neun'],
  [10, 'ten diez dix zehn'],
  [11, 'eleven once onze elf'],
  [12, 'twelve doce douze zwolf'],
  [13, 'thirteen trece treize dreizehn'],
  [14, 'fourteen catorce quatorze vierzehn'],
  [15, 'fifteen quince quinze funfzehn'],
  [16, 'sixteen dieciseis seize sechzehn'],
  [17, 'seventeen diecisiete siebzehn'],
  [18, 'eighteen dieciocho achtzehn'],
  [19, 'nineteen diecinueve neunzehn'],
  [20, 'twenty veinte vingt zwanzig'],
  [30, 'thirty treinta trente dreissig'],
  [40, 'forty cuarenta quarante vierzig'],
  [50, 'fifty cincuenta cinquante funfzig'],
  [60, 'sixty sesenta soixante sechzig'],
  [70, 'seventy setenta siebzig'],
  [80, 'eighty ochenta achtzig'],
  [90, 'ninety noventa neunzig'],
  [100, 'hundred cien cent hundert'],
  [1000, 'thousand mil mille tausend'],
];
const NUMBER_OF = new Map(NUMBERS.flatMap(([value, words]) => words.split(' ').map((word) => [word, value] as const)));

/** The number that a word spells (English "once" is no eleven); null when it spells none. Without accents, small letters. */
export function spelledNumber(word: string, name: StemLanguage | 'none'): number | null {
  if (word === 'once' && name !== 'es') return null;
  return NUMBER_OF.get(word) ?? null;
}

/**
 * The language of whose small words a text has most, when that is clear: at
 * least three of them, and twice as many as of the language that is expected.
 */
export function otherLanguage(bare: readonly string[], expected: StemLanguage): StemLanguage | null {
  const count = (name: StemLanguage): number =>
    bare.filter((word) => LANGUAGE_WORDS[name].function.has(word) || LANGUAGE_WORDS[name].determiners.has(word)).length;
  const own = count(expected);
  const others = (Object.keys(LANGUAGE_WORDS) as StemLanguage[])
    .filter((name) => name !== expected)
    .map((name) => ({ name, found: count(name) }))
    .sort((a, b) => b.found - a.found);
  const [most] = others;
  return most && most.found >= 3 && most.found >= 2 * own + 1 ? most.name : null;
}

/** A text of fewer signs says too little of its language. */
const ENOUGH_SIGNS = 60;
/** Below this likeness, next to the likeliest language, it is not the expected one (measured on 118 answers of a class in their language: none lies below, the one in another does). */
const LIKE_ENOUGH = 0.9;
const NAMES_OF_SIGNS: Record<StemLanguage, string> = { en: 'eng', es: 'spa', fr: 'fra', de: 'deu' };

/** The language that a longer text is written in by its runs of three letters (ISO 639-3), when it is clearly not the expected one and has hardly a small word of it. */
export function languageBySigns(text: string, bare: readonly string[], expected: StemLanguage): string | null {
  const own = bare.filter((word) => LANGUAGE_WORDS[expected].function.has(word)).length;
  if (text.length < ENOUGH_SIGNS || own > bare.length * 0.15) return null;
  const all = francAll(text.slice(0, 600), { minLength: ENOUGH_SIGNS });
  const mine = all.find(([name]) => name === NAMES_OF_SIGNS[expected])?.[1] ?? 0;
  const [first] = all;
  return first && first[0] !== 'und' && mine < LIKE_ENOUGH ? first[0] : null;
}
