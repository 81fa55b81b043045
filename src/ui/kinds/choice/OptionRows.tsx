'use client';
import { closestCenter, DndContext, type DragEndEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { GripVertical, Plus, X } from 'lucide-react';
import { type ClipboardEvent, type KeyboardEvent, useId, useRef } from 'react';
import { flushSync } from 'react-dom';
import Button from 'react-bootstrap/Button';
import type { ChoiceSetup } from '@/core/kinds/choice/choice';
import { TextWithFormulas } from '../../sheet/Formula';
import { drawTextFormulas } from '../../sheet/formulas';
import type { EditorProps } from '../contract';
import { MOST_OPTIONS, moved, type Option, withLines, withOption, without } from './options';

/** The options on the sheet, one a line: written, marked as right, moved by their grip or with Alt and the arrows. */
export function OptionRows({ setup, onChange, letter, onLeave }: EditorProps<ChoiceSetup>) {
  const { options, several } = setup;
  const group = useRef<HTMLDivElement>(null);
  const id = useId();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 3 } }));
  const keep = (next: Option[]): void => onChange({ ...setup, options: next });
  /** Changes the list and goes on in one of its lines, before the next key is pressed. */
  const goOn = (next: Option[], at: number): void => {
    flushSync(() => keep(next));
    group.current?.querySelectorAll<HTMLInputElement>('input.text')[at]?.focus();
  };
  const edit = (option: string, part: Partial<Option>): void =>
    keep(options.map((o) => (o.id === option ? { ...o, ...part } : part.key && !several ? { ...o, key: false } : o)));

  const press = (event: KeyboardEvent<HTMLInputElement>, at: number): void => {
    const option = options[at];
    if (!option) return;
    const last = at === options.length - 1;
    const step = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (event.key === 'Enter') {
      event.preventDefault();
      if (!last) group.current?.querySelectorAll<HTMLInputElement>('input.text')[at + 1]?.focus();
      else if (option.text.trim() !== '') goOn(withOption(options, at + 1), at + 1);
      else if (options.length > 1) {
        // An empty last line ends the list; one goes on below it.
        flushSync(() => keep(without(options, option.id)));
        onLeave?.();
      }
    } else if (event.key === 'Backspace' && option.text === '' && options.length > 1) {
      event.preventDefault();
      goOn(without(options, option.id), Math.max(0, at - 1));
    } else if (step && event.altKey) {
      event.preventDefault();
      const to = Math.min(options.length - 1, Math.max(0, at + step));
      goOn(moved(options, at, to), to);
    } else if (step) {
      event.preventDefault();
      group.current?.querySelectorAll<HTMLInputElement>('input.text')[at + step]?.focus();
    }
  };
  const paste = (event: ClipboardEvent<HTMLInputElement>, at: number): void => {
    const lines = event.clipboardData.getData('text/plain');
    if (!/\S\s*\n\s*\S/.test(lines)) return;
    event.preventDefault();
    const next = withLines(options, at, lines, several);
    goOn(next, Math.min(next.length - 1, at + (next.length - options.length)));
  };
  const dropped = ({ active, over }: DragEndEvent): void => {
    const place = (name: unknown): number => options.findIndex((o) => o.id === name);
    if (over) keep(moved(options, place(active.id), place(over.id)));
  };
  return (
    <div className="option-rows" role="group" aria-label={`Slot ${letter}: options, the right one marked`} ref={group}>
      <DndContext id={id} sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
        <SortableContext items={options.map((o) => o.id)} strategy={verticalListSortingStrategy}>
          {options.map((option, i) => (
            <OptionRow
              key={option.id}
              option={option}
              number={i + 1}
              several={several}
              name={`key-${letter}`}
              alone={options.length <= 1}
              onEdit={(part) => edit(option.id, part)}
              onKeyDown={(event) => press(event, i)}
              onPaste={(event) => paste(event, i)}
              onRemove={() => keep(without(options, option.id))}
            />
          ))}
        </SortableContext>
      </DndContext>
      <div>
        <Button
          variant="quiet"
          disabled={options.length >= MOST_OPTIONS}
          onClick={() => goOn(withOption(options, options.length), options.length)}
        >
          <Plus size={15} /> option
        </Button>
      </div>
    </div>
  );
}

interface RowProps {
  option: Option;
  number: number;
  several: boolean;
  name: string;
  alone: boolean;
  onEdit: (part: Partial<Option>) => void;
  onKeyDown: (event: KeyboardEvent<HTMLInputElement>) => void;
  onPaste: (event: ClipboardEvent<HTMLInputElement>) => void;
  onRemove: () => void;
}

function OptionRow({ option, number, several, name, alone, onEdit, onKeyDown, onPaste, onRemove }: RowProps) {
  const { setNodeRef, listeners, transform, transition } = useSortable({ id: option.id });
  return (
    <div
      className="option-row"
      ref={setNodeRef}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
    >
      <span className="grip" title="Move by dragging, or with Alt and the arrow keys" {...listeners}>
        <GripVertical size={15} />
      </span>
      <input
        type={several ? 'checkbox' : 'radio'}
        name={name}
        checked={option.key}
        aria-label={`Option ${number} is right`}
        onChange={(e) => onEdit({ key: e.target.checked })}
      />
      <input
        className="text"
        aria-label={`Option ${number}`}
        placeholder={number === 1 ? 'First option; mark the right one at its left' : 'Option'}
        value={option.text}
        maxLength={2000}
        onChange={(e) => onEdit({ text: e.target.value })}
        onKeyDown={onKeyDown}
        onPaste={onPaste}
      />
      {option.text.includes('$') && (
        <span className="preview">
          <TextWithFormulas text={option.text} drawn={drawTextFormulas(option.text)} />
        </span>
      )}
      <Button variant="quiet" aria-label={`Take option ${number} out`} disabled={alone} onClick={onRemove}>
        <X size={15} />
      </Button>
    </div>
  );
}
