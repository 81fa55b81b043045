'use client';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { arrangeTopicsAction, removeTopicAction, restoreTopicAction, saveTopicAction } from '@/actions/bank';
import type { Result } from '@/core/base/result';
import { MOST_LOOK_AGAIN } from '@/core/results/look-again';
import type { RemovedTopic } from '@/server/bank/banks';
import type { BankShelf, TopicOnShelf } from '@/server/bank/shelves';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { depthOf, inward, moved, outward, type TreeNode } from './tree-moves';
import { DragArea } from '../parts/DragArea';
import { Trouble } from '../parts/Trouble';
import { replyTo } from '../parts/reply-to';
import { useFreshPage } from '../parts/use-fresh-page';

/** The topics of a bank to name, add, take out, and put in order: by dragging, or with the keys of each row. */
export function TopicTree({ shelf, onClose }: { shelf: BankShelf; onClose: () => void }) {
  const look = useFreshPage();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [added, setAdded] = useState('');
  const [adding, setAdding] = useState(false);
  /** Whether it was done; what was not is said. */
  const keep = async (work: Promise<Result<unknown>>): Promise<boolean> => {
    const result = await replyTo(work);
    setTrouble(result.ok ? null : refusalText(result.refusal));
    look();
    return result.ok;
  };
  const add = async (): Promise<void> => {
    if (added.trim() === '' || adding) return;
    setAdding(true);
    if (await keep(saveTopicAction({ bank: shelf.id, id: null, name: added, parent: null }))) setAdded('');
    setAdding(false);
  };
  const [asking, setAsking] = useState<string | null>(null);
  const [removed, setRemoved] = useState<RemovedTopic | null>(null);
  const remove = async (topic: TopicOnShelf): Promise<void> => {
    setAsking(null);
    const result = await replyTo(removeTopicAction({ bank: shelf.id, id: topic.id }));
    setTrouble(result.ok ? null : refusalText(result.refusal));
    setRemoved(result.ok ? result.value : null);
    look();
  };
  const tree: TreeNode[] = shelf.topics;
  const arrange = (order: TreeNode[]): void => {
    if (order === tree) return;
    void keep(arrangeTopicsAction({ bank: shelf.id, order: order.map(({ id, parent }) => ({ id, parent })) }));
  };
  return (
    <div>
      <DragArea
        called={(id) => shelf.topics.find((topic) => topic.id === id)?.name ?? ''}
        onDrop={(topic, onto) => arrange(moved(tree, topic, onto))}
      >
        <SortableContext items={tree.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
          <ul>
            {shelf.topics.map((topic) => (
              <TopicRow
                key={topic.id}
                topic={topic}
                depth={depthOf(tree, topic.id)}
                onWords={(words) =>
                  keep(
                    saveTopicAction({
                      bank: shelf.id,
                      id: topic.id,
                      name: topic.name,
                      parent: topic.parent,
                      ...words,
                    }),
                  )
                }
                asked={asking === topic.id}
                onAsk={(on) => setAsking(on ? topic.id : null)}
                onRemove={() => remove(topic)}
                onIn={() => arrange(inward(tree, topic.id))}
                onOut={() => arrange(outward(tree, topic.id))}
              />
            ))}
          </ul>
        </SortableContext>
      </DragArea>
      <form
        className="d-flex gap-1 mb-2"
        onSubmit={(e) => {
          e.preventDefault();
          void add();
        }}
      >
        <input
          className="form-control form-control-sm"
          aria-label="New topic"
          placeholder="New topic"
          maxLength={80}
          value={added}
          onChange={(e) => setAdded(e.target.value)}
        />
        <Button type="submit" variant="outline-primary" size="sm">
          Add
        </Button>
      </form>
      {removed && (
        <p role="status">
          “{removed.topic.name}” was taken out.{' '}
          <Button
            variant="quiet"
            onClick={async () => {
              if (await keep(restoreTopicAction(removed))) setRemoved(null);
            }}
          >
            Undo
          </Button>
        </p>
      )}
      <Trouble>{trouble}</Trouble>
      <Button variant="quiet" onClick={onClose}>
        Done arranging
      </Button>
    </div>
  );
}

interface RowProps {
  topic: TopicOnShelf;
  depth: number;
  onWords: (words: { name?: string; lookAgain?: string }) => void;
  /** Whether it is asked if this topic shall go. */
  asked: boolean;
  onAsk: (on: boolean) => void;
  onRemove: () => void;
  onIn: () => void;
  onOut: () => void;
}

function TopicRow({ topic, depth, onWords, asked, onAsk, onRemove, onIn, onOut }: RowProps) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: topic.id });
  const [name, setName] = useState(topic.name);
  const [lookAgain, setLookAgain] = useState(topic.lookAgain);
  const [open, setOpen] = useState(false);
  return (
    <li
      ref={setNodeRef}
      className="topic-row"
      style={{
        transform: transform ? `translateY(${transform.y}px)` : undefined,
        transition,
        paddingLeft: depth * 14,
      }}
    >
      <button type="button" className="grip" {...attributes} {...listeners} aria-label={`${topic.name}, move`}>
        ⠿
      </button>
      <input
        className="bare"
        aria-label={`Name of the topic ${topic.name}`}
        maxLength={80}
        value={name}
        onChange={(e) => setName(e.target.value)}
        onBlur={() => (name.trim() === '' ? setName(topic.name) : name !== topic.name && onWords({ name }))}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
      />
      <Button
        variant="quiet"
        aria-label={`${topic.name}, what to look at again`}
        title="What whoever did badly in it reads"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        {topic.lookAgain ? '¶' : '…'}
      </Button>
      <Button variant="quiet" aria-label={`${topic.name}, one step out`} disabled={depth === 0} onClick={onOut}>
        ‹
      </Button>
      <Button variant="quiet" aria-label={`${topic.name}, below the topic before`} onClick={onIn}>
        ›
      </Button>
      <Button
        variant="quiet"
        aria-label={`Take out ${topic.name}; its questions go one step up`}
        title="Take it out; its questions go one step up"
        aria-expanded={asked}
        onClick={() => onAsk(!asked)}
      >
        ×
      </Button>
      {open && (
        <label className="w-100">
          <small>Whoever did badly in it reads: look again at</small>
          <textarea
            className="form-control form-control-sm"
            rows={2}
            maxLength={MOST_LOOK_AGAIN}
            placeholder="a chapter, an address …"
            value={lookAgain}
            onChange={(e) => setLookAgain(e.target.value)}
            onBlur={() => lookAgain !== topic.lookAgain && onWords({ lookAgain })}
          />
        </label>
      )}
      {asked && (
        <span className="w-100" role="group" aria-label={`Take out ${topic.name}?`}>
          <small>{plural(topic.questions, 'question goes', 'questions go')} one step up.</small>{' '}
          <Button variant="quiet" className="small-act" onClick={onRemove}>
            Take it out
          </Button>
          <Button variant="quiet" className="small-act" onClick={() => onAsk(false)}>
            Keep it
          </Button>
        </span>
      )}
    </li>
  );
}
