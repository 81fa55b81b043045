'use client';
import { useState } from 'react';
import { isJoined, type Joined, NEARNESS, type Wording } from '@/core/rules/text/wordings';
import { wordingsFrom, wordingsText, wordingText } from '@/core/rules/text/wording-text';
import type { Forgives } from '@/core/rules/text/words';
import { CheckLine } from '../parts/CheckLine';
import { CountInput } from '../parts/CountInput';
import { NEARNESS_WORDS } from '../words/text-rules';
import { SynonymsOffered } from './SynonymsOffered';
import { WordingsOffered } from './WordingsOffered';

interface Props {
  wordings: readonly Wording[];
  label: string;
  placeholder?: string;
  /** Whether they mean the same, so that synonyms of the topic are offered and kept. */
  synonyms?: boolean;
  /** The language in which further wordings are looked up; left out where none are. */
  language?: Forgives['endings'];
  /** What becomes of an opposite that is looked up with them. */
  onRefuse?: (wording: string) => void;
  onChange: (wordings: Wording[]) => void;
}

/**
 * Ways of saying something, with semicolons between them; what belongs together
 * is joined by "+", with " / " between alternatives, and has a line of its own
 * that says how near it has to stand. Kept as typed until the field is left.
 */
export function WordingsInput({
  wordings,
  label,
  placeholder = 'one; another; this / that + something',
  synonyms = false,
  language,
  onRefuse,
  onChange,
}: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const text = wordingsText(wordings);
  const change = (index: number, part: Partial<Joined>): void =>
    onChange(wordings.map((one, i) => (i === index && isJoined(one) ? { ...one, ...part } : one)));
  const phrases = wordings.filter((one) => typeof one === 'string');
  return (
    <>
      <textarea
        className="form-control"
        rows={Math.min(6, 1 + Math.floor(text.length / 34))}
        aria-label={label}
        value={typed ?? text}
        placeholder={placeholder}
        onChange={(e) => {
          setTyped(e.target.value);
          onChange(wordingsFrom(e.target.value, wordings));
        }}
        onBlur={() => setTyped(null)}
      />
      {wordings.map((one, index) =>
        isJoined(one) ? (
          <Nearness key={index} joined={one} label={label} onChange={(part) => change(index, part)} />
        ) : null,
      )}
      {language && (
        <WordingsOffered
          words={phrases}
          language={language}
          label={label}
          onRefuse={onRefuse}
          onAdd={(more) => onChange([...phrases, more, ...wordings.filter((one) => typeof one !== 'string')])}
        />
      )}
      {synonyms && (
        <SynonymsOffered
          words={phrases}
          onAdd={(more) => onChange([...phrases, ...more, ...wordings.filter((one) => typeof one !== 'string')])}
        />
      )}
    </>
  );
}

/** How near the parts of one wording have to stand, how many of them, and in which order. */
function Nearness({
  joined,
  label,
  onChange,
}: {
  joined: Joined;
  label: string;
  onChange: (part: Partial<Joined>) => void;
}) {
  const { parts, least, where, ordered, within } = joined;
  const text = wordingText(joined);
  return (
    <div className="line soft" role="group" aria-label={`${label}: ${text}`}>
      <span className="cut">{text}</span>
      <select
        className="form-select"
        aria-label={`How near: ${text}`}
        value={where}
        onChange={(e) => onChange({ where: e.target.value as Joined['where'] })}
      >
        {NEARNESS.map((name) => (
          <option key={name} value={name}>
            {NEARNESS_WORDS[name]}
          </option>
        ))}
      </select>
      {parts.length > 2 && (
        <select
          className="form-select"
          aria-label={`How many: ${text}`}
          value={least ?? parts.length}
          onChange={(e) =>
            onChange({ least: Number(e.target.value) < parts.length ? Number(e.target.value) : undefined })
          }
        >
          {parts.map((_, i) => (
            <option key={i} value={i + 1}>
              {i + 1 === parts.length ? 'all of them' : `at least ${i + 1}`}
            </option>
          ))}
        </select>
      )}
      <CheckLine checked={ordered ?? false} onChange={(on) => onChange({ ordered: on })}>
        in this order
      </CheckLine>
      <label className="line">
        within
        <CountInput
          count={within ?? null}
          least={1}
          most={100}
          optional
          label={`Within how many words: ${text}`}
          onChange={(count) => onChange({ within: count ?? undefined })}
        />
        words
      </label>
      {where === 'tied' && (
        <input
          className="form-control"
          aria-label={`Not said of: ${text}`}
          placeholder="and not said of: another; a third"
          defaultValue={(joined.rivals ?? []).join('; ')}
          onBlur={(e) => onChange({ rivals: wordingsFrom(e.target.value).filter((one) => typeof one === 'string') })}
        />
      )}
    </div>
  );
}
