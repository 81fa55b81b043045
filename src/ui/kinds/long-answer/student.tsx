'use client';
import { lazy, Suspense } from 'react';
import type { LongAnswerResponse, LongAnswerSheet } from '@/core/kinds/long-answer/long-answer';
import { ContentView } from '../../sheet/ContentView';
import { RemarkedText } from '../../remarks/RemarkedText';
import { TextWithFormulas } from '../../sheet/Formula';
import { FileList, FilesBeside } from './FilesBeside';
import type { ReviewProps, StudentProps } from '../contract';

// The editors come only to those who answer with one.
const RichEntry = lazy(() => import('./RichEntry'));
const FormulasEntry = lazy(() => import('./FormulasEntry'));

/** What is typed into a slot of several lines, whatever writes it. */
export interface EntryProps {
  id: string;
  label: string;
  lines: number;
  response: LongAnswerResponse | undefined;
  onChange: (response: LongAnswerResponse) => void;
}

const MOST = 50_000;

export function Student({ id, label, sheet, response, onChange }: StudentProps<LongAnswerSheet, LongAnswerResponse>) {
  const { write, lines, least, most, files } = sheet;
  const beside = response?.files ?? [];
  const entry: EntryProps = {
    id,
    label,
    lines,
    response,
    onChange: (next) => onChange(beside.length > 0 ? { ...next, files: beside } : next),
  };
  const Entry = write === 'rich' ? RichEntry : write === 'formulas' ? FormulasEntry : PlainEntry;
  return (
    <div className="long-answer">
      <Suspense fallback={<div className="space" style={{ height: `${lines * 1.5}em` }} />}>
        <Entry {...entry} />
      </Suspense>
      {files > 0 && (
        <FilesBeside
          label={label}
          files={beside}
          most={files}
          onChange={(next) => onChange({ ...(response ?? { text: '' }), files: next })}
        />
      )}
      {(least !== null || most !== null) && <Words text={response?.text ?? ''} least={least} most={most} />}
    </div>
  );
}

function PlainEntry({ id, label, lines, response, onChange }: EntryProps) {
  return (
    <textarea
      id={id}
      aria-label={label}
      rows={lines}
      maxLength={MOST}
      value={response?.text ?? ''}
      onChange={(e) => onChange({ text: e.target.value })}
    />
  );
}

/** How many words there are, and how many are asked for. Nobody is stopped from writing. */
function Words({ text, least, most }: { text: string; least: number | null; most: number | null }) {
  const words = text.split(/\s+/).filter((part) => /[\p{L}\p{N}]/u.test(part)).length;
  const asked =
    least !== null && most !== null
      ? `${least} to ${most} are asked for`
      : least !== null
        ? `at least ${least} are asked for`
        : `at most ${most} are asked for`;
  const over = most !== null && words > most;
  return (
    <p className={`words ${over ? 'hand' : 'soft'}`}>
      {words} {words === 1 ? 'word' : 'words'}; {asked}
    </p>
  );
}

export function Review({
  response,
  drawn,
  evidence,
  remarks = [],
  onPin,
}: ReviewProps<LongAnswerSheet, LongAnswerResponse>) {
  const files = response?.files ?? [];
  if ((response?.text.trim() ?? '') === '' && files.length === 0) return <div className="slot-box soft">no answer</div>;
  return (
    <div className="slot-box long" dir="auto">
      {response?.rich && <ContentView content={response.rich} drawn={drawn} slot={() => null} />}
      {response?.rich && !onPin && remarks.length === 0 ? null : /\$[^$]+\$/.test(response?.text ?? '') ? (
        <TextWithFormulas text={response?.text ?? ''} drawn={drawn} />
      ) : (
        <RemarkedText text={response?.text ?? ''} evidence={evidence} remarks={remarks} onPin={onPin} />
      )}
      <FileList files={files} />
    </div>
  );
}
