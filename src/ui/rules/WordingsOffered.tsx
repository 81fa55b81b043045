'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Proposal } from '@/core/rules/text/proposals';
import type { Forgives } from '@/core/rules/text/words';
import { refusalText } from '../words/refusals';
import { useWordHelp } from './WordHelp';

const FROM: Record<Proposal['from'], string> = {
  topic: 'synonyms of the topic',
  list: 'word lists that hold it',
  symbol: 'signs and short forms',
  same: 'of the same meaning (dictionary)',
  narrower: 'kinds of it (dictionary)',
  opposite: 'the opposite, to be refused (dictionary)',
};

interface Props {
  words: readonly string[];
  language: Forgives['endings'];
  /** What they are for, for screen readers. */
  label: string;
  onAdd: (wording: string) => void;
  /** What becomes of an opposite; where it is missing none are offered. */
  onRefuse?: ((wording: string) => void) | undefined;
}

/** Further wordings, looked up when asked for; each is added by a click and by nothing else. */
export function WordingsOffered({ words, language, label, onAdd, onRefuse }: Props) {
  const { propose } = useWordHelp();
  const [found, setFound] = useState<Proposal[] | string | null>(null);
  const [busy, setBusy] = useState(false);
  const look = async (): Promise<void> => {
    setBusy(true);
    const result = await propose(words, language).catch(() => null);
    setFound(result?.ok ? result.value : result ? refusalText(result.refusal) : 'The server cannot be reached.');
    setBusy(false);
  };
  if (words.length === 0) return null;
  if (found === null)
    return (
      <button type="button" className="btn-link-plain soft" disabled={busy} onClick={() => void look()}>
        {busy ? 'looking…' : 'other wordings…'}
      </button>
    );
  if (typeof found === 'string') return <p className="wrong">{found}</p>;
  const left = found.filter(
    ({ wording, from }) => !words.includes(wording) && (from !== 'opposite' || onRefuse !== undefined),
  );
  const sources = (Object.keys(FROM) as Proposal['from'][]).filter((from) => left.some((one) => one.from === from));
  return (
    <div className="offered" role="group" aria-label={`Other wordings: ${label}`}>
      {sources.length === 0 && <span className="soft">nothing more is known</span>}
      {sources.map((from) => (
        <p key={from}>
          <span className="soft">{FROM[from]}: </span>
          {left
            .filter((one) => one.from === from)
            .map(({ wording }) => (
              <Button
                key={wording}
                variant="quiet"
                className="small-act"
                onClick={() => (from === 'opposite' ? onRefuse?.(wording) : onAdd(wording))}
              >
                {wording}
              </Button>
            ))}
        </p>
      ))}
      <button type="button" className="btn-link-plain soft" onClick={() => setFound(null)}>
        enough
      </button>
    </div>
  );
}
