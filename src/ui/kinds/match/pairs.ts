import type { ShownMedia } from '@/core/content/shown';
import { type MatchSetup, MOST_PAIRS } from '@/core/kinds/match/match';
import type { Row } from '../../parts/rows';
import { freshPart } from '@/core/rules/placing/placed';

type Prompt = MatchSetup['prompts'][number];

/** The partner that stands beside a prompt: the first that it accepts. */
export function partnerOf({ partners }: MatchSetup, { accepts: [first] }: Prompt): Row | undefined {
  return partners.find(({ id }) => id === first);
}

/** Its words; none where there is no partner. */
export const rightOf = (setup: MatchSetup, prompt: Prompt): string => partnerOf(setup, prompt)?.text ?? '';

/** A prompt whose partner is a picture or a sound, or words alone again. */
export function withPartnerMedia(
  setup: MatchSetup,
  id: string,
  media: ShownMedia | undefined,
  text: string,
): MatchSetup {
  const next = withRight(setup, id, text);
  const prompt = next.prompts.find((one) => one.id === id);
  const partner = prompt && partnerOf(next, prompt);
  return { ...next, partners: next.partners.map((one) => (one === partner ? { ...one, media } : one)) };
}

/**
 * A prompt with other words beside it. The words of another partner make the
 * two share it; else the partner keeps its id as long as it is nobody else's,
 * so that answers that speak of it stay true.
 */
export function withRight(setup: MatchSetup, id: string, text: string): MatchSetup {
  const prompt = setup.prompts.find((one) => one.id === id);
  if (!prompt) return setup;
  const [old, ...also] = prompt.accepts;
  const shared = setup.prompts.some((one) => one !== prompt && old !== undefined && one.accepts.includes(old));
  const there = text === '' ? undefined : setup.partners.find((one) => one.text === text && !also.includes(one.id));
  const kept = there?.id ?? (old === undefined || shared ? freshPart(setup.partners, 'a') : old);
  const others = setup.partners.filter((one) => one.id !== old || shared || one === there);
  const partners =
    there || text === ''
      ? others
      : [
          ...others.filter((one) => one.id !== kept),
          { ...setup.partners.find((one) => one.id === kept), id: kept, text },
        ];
  const accepts = text === '' ? also : [kept, ...also];
  return { ...setup, partners, prompts: setup.prompts.map((one) => (one === prompt ? { ...prompt, accepts } : one)) };
}

const freshPrompt = (prompts: readonly Prompt[]): Prompt => ({
  id: freshPart(prompts, 'p'),
  text: '',
  accepts: [],
  feedback: '',
});

/** One more pair behind a place. */
export function withPair(setup: MatchSetup, at: number): MatchSetup {
  const { prompts } = setup;
  if (prompts.length >= MOST_PAIRS) return setup;
  return { ...setup, prompts: [...prompts.slice(0, at), freshPrompt(prompts), ...prompts.slice(at)] };
}

/** Without a pair and the partner that only it had. */
export function withoutPair(setup: MatchSetup, id: string): MatchSetup {
  const freed = withRight(setup, id, '');
  return { ...freed, prompts: freed.prompts.filter((prompt) => prompt.id !== id) };
}

/** Lines from elsewhere, two columns or "left = right", from a pair on: they fill empty ones and push the others down. */
export function withPastedPairs(setup: MatchSetup, from: number, text: string): MatchSetup {
  let next = setup;
  let at = from;
  for (const line of text.split(/\r?\n/).filter((one) => one.trim() !== '')) {
    const [left = '', right = ''] = line.split(/\t|\s*=\s*/).map((side) => side.trim().slice(0, 500));
    const there = next.prompts[at];
    if (!there || there.text !== '' || rightOf(next, there) !== '') next = withPair(next, at);
    const prompt = next.prompts[at];
    if (!prompt || prompt.text !== '') break;
    next = { ...next, prompts: next.prompts.map((one) => (one === prompt ? { ...one, text: left } : one)) };
    next = withRight(next, prompt.id, right);
    at += 1;
  }
  return next;
}
