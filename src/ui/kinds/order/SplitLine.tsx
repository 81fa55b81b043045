'use client';
import Button from 'react-bootstrap/Button';
import { MOST_IN_ORDER, type OrderSetup } from '@/core/kinds/order/order';
import type { EditorProps } from '../contract';

const LETTERS = new Intl.Segmenter('en', { granularity: 'grapheme' });

/** A first line that stands alone falls into its words, or its letters. */
export function SplitLine({ setup, onChange }: Pick<EditorProps<OrderSetup>, 'setup' | 'onChange'>) {
  const written = setup.items.filter(({ text, media }) => text.trim() !== '' || media);
  const [only, ...more] = written;
  if (!only || only.media || more.length > 0) return null;
  const split = (parts: readonly string[]): void =>
    onChange({ ...setup, items: parts.slice(0, MOST_IN_ORDER).map((text, i) => ({ id: `l${i + 1}`, text })) }, 'apart');
  const words = only.text.trim().split(/\s+/);
  const letters = [...LETTERS.segment(only.text.trim())]
    .map(({ segment }) => segment)
    .filter((one) => one.trim() !== '');
  return (
    <p className="split-line">
      {words.length > 1 && (
        <Button variant="quiet" onClick={() => split(words)}>
          Into its {words.length} words
        </Button>
      )}
      {words.length === 1 && letters.length > 1 && (
        <Button variant="quiet" onClick={() => split(letters)}>
          Into its {letters.length} letters
        </Button>
      )}
    </p>
  );
}
