import { Fragment, type ReactNode } from 'react';
import type { Cell, Content, ContentNode } from '@/core/content/document';
import { Formula } from './Formula';
import type { DrawnFormulas } from './formulas';
import { PageView } from './PageView';
import { PictureView } from './PictureView';
import { FileLink } from './FileLink';
import { RecordingView } from './RecordingView';

interface Props {
  content: Content;
  drawn: DrawnFormulas;
  /** Draws the slot that stands here. */
  slot: (id: string) => ReactNode;
}

const MARKS = { bold: 'strong', italic: 'em', subscript: 'sub', superscript: 'sup', code: 'code' } as const;

/** Draws a content document. The same on the server, in the room, at the desks; no editor is needed. */
export function ContentView({ content, drawn, slot }: Props): ReactNode {
  const many = (nodes: readonly ContentNode[] | undefined): ReactNode =>
    nodes?.map((node, i) => <Fragment key={i}>{one(node)}</Fragment>);

  const one = (node: ContentNode): ReactNode => {
    switch (node.type) {
      case 'text':
        return (node.marks ?? []).reduce<ReactNode>((inner, { type }) => {
          const Tag = MARKS[type];
          return <Tag>{inner}</Tag>;
        }, node.text);
      case 'hardBreak':
        return <br />;
      case 'formula':
        return <Formula latex={node.attrs.latex} drawn={drawn} />;
      case 'blockFormula':
        return <Formula latex={node.attrs.latex} display drawn={drawn} />;
      case 'inlineSlot':
      case 'blockSlot':
        return slot(node.attrs.id);
      case 'paragraph':
        // A slot may hold block elements, which a paragraph element cannot.
        return <div className="para">{node.content ? many(node.content) : <br />}</div>;
      case 'heading':
        return node.attrs.level === 2 ? <h2>{many(node.content)}</h2> : <h3>{many(node.content)}</h3>;
      case 'bulletList':
        return <ul>{many(node.content)}</ul>;
      case 'orderedList':
        return <ol>{many(node.content)}</ol>;
      case 'listItem':
        return <li>{many(node.content)}</li>;
      case 'table':
        return (
          <table>
            <tbody>{many(node.content)}</tbody>
          </table>
        );
      case 'tableRow':
        return <tr>{many(node.content)}</tr>;
      case 'tableHeader':
        return <th {...spans(node.attrs)}>{many(node.content)}</th>;
      case 'tableCell':
        return <td {...spans(node.attrs)}>{many(node.content)}</td>;
      case 'codeBlock':
        return (
          <pre>
            <code>{node.content?.map((t) => t.text).join('')}</code>
          </pre>
        );
      case 'page':
        return <PageView {...node.attrs} />;
      case 'recording':
        return <RecordingView {...node.attrs} />;
      case 'file':
        return <FileLink {...node.attrs} />;
      case 'picture':
        return <PictureView {...node.attrs} />;
    }
  };
  return many(content.content);
}

function spans(attrs: Cell['attrs']) {
  const width = attrs?.colwidth?.reduce((sum, w) => sum + w, 0);
  return { colSpan: attrs?.colspan, rowSpan: attrs?.rowspan, style: width ? { width } : undefined };
}
