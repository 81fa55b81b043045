import Papa from 'papaparse';

interface GoalLine {
  code: string;
  words: string;
}

export function linesFromGoals(goals: readonly GoalLine[]): string {
  return goals.map(({ code, words }) => `${code} ${words}`.trim()).join('\n');
}

/** Goals from lines: "code words", or rows of a CSV whose first column is the code. Empty lines are left out. */
export function goalsFromLines(text: string): GoalLine[] {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  const csv = lines.length > 0 && lines.every((line) => /^("[^"]*"|[^\s,;"]+)[,;\t]/.test(line));
  if (csv) {
    const rows = Papa.parse<string[]>(lines.join('\n')).data;
    return rows.map(([code = '', ...rest]) => ({ code: code.trim(), words: rest.join(' ').trim() }));
  }
  return lines.map((line) => {
    const [, code = '', words = ''] = /^\s*(\S+)\s*(.*?)\s*$/.exec(line) ?? [];
    return { code, words };
  });
}
