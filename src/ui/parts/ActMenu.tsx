'use client';
import { Fragment, type KeyboardEvent } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';

export interface Choice {
  value: string;
  words: string;
  /** What it stands under, beside those of the same. */
  under?: string;
}

interface Props {
  words: string;
  /** Read aloud in place of the words, where several have the same; it begins with them. */
  label?: string;
  className?: string;
  choices: readonly Choice[];
  onChoose: (value: string) => void;
}

/** Over whatever cuts off what hangs out of it. One object, since another one places the list anew. */
const PLACED = { strategy: 'fixed' } as const;

/**
 * A list of which what is chosen is done at once. It is no select: with those some browsers choose by every arrow, and nobody
 * does by looking what they did not mean (WCAG 2.2, 3.2.2).
 */
export function ActMenu({ words, label, className = '', choices, onChoose }: Props) {
  return (
    // It may stand in a sentence: nothing in it is a block of its own.
    <Dropdown as="span" className={`act-menu ${className}`.trim()} onKeyDown={toLetter}>
      <Dropdown.Toggle variant="outline-primary" size="sm" aria-label={label} disabled={choices.length === 0}>
        {words}
      </Dropdown.Toggle>
      <Dropdown.Menu as="span" popperConfig={PLACED}>
        {choices.map(({ value, words: what, under }, i) => (
          <Fragment key={value}>
            {under !== undefined && under !== choices[i - 1]?.under && (
              <Dropdown.Header as="span">{under}</Dropdown.Header>
            )}
            <Dropdown.Item as="button" type="button" onClick={() => onChoose(value)}>
              {what}
            </Dropdown.Item>
          </Fragment>
        ))}
      </Dropdown.Menu>
    </Dropdown>
  );
}

/** While the list is open, a letter goes to the next line that begins with it, and is no key of the screen. */
function toLetter(event: KeyboardEvent<HTMLElement>): void {
  if (event.key.length !== 1 || event.key === ' ' || event.ctrlKey || event.metaKey || event.altKey) return;
  const lines = [...event.currentTarget.querySelectorAll<HTMLElement>('.dropdown-menu.show .dropdown-item')];
  if (lines.length === 0) return;
  event.preventDefault();
  const here = lines.indexOf(document.activeElement as HTMLElement);
  const letter = event.key.toLowerCase();
  [...lines.slice(here + 1), ...lines.slice(0, here + 1)]
    .find((line) => /[\p{L}\p{N}]/u.exec(line.innerText)?.[0].toLowerCase() === letter)
    ?.focus();
}
