/** How marks come from several right ones, for a teacher who chooses. */
export const SCHEME_WORDS: Record<'by-part' | 'by-part-deductions' | 'whole', string> = {
  'by-part': 'each right one earns its part',
  'by-part-deductions': 'a wrong one takes a part back, never below 0',
  whole: 'all right ones and no wrong one, or nothing',
};
