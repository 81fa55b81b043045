'use client';
import { type ReactNode, useRef, useState } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import { saveFile } from '../parts/save-file';
import { Trouble } from '../parts/Trouble';
import './analysis.scss';
import { chartPdf, chartPng, chartSvg, csvText } from './save-chart';

interface Props {
  title: string;
  /** The chart's figures as a table, head first. */
  table: readonly (readonly (string | number | null)[])[];
  children: ReactNode;
}

/** A chart with its figures as a table, and ways to save either. */
export function ChartFrame({ title, table, children }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const name = title.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase();
  const save = async (as: 'svg' | 'png' | 'pdf' | 'csv'): Promise<void> => {
    const svg = frame.current?.querySelector('svg');
    if (!svg) return;
    try {
      if (as === 'csv') saveFile(new Blob([csvText(table)], { type: 'text/csv;charset=utf-8' }), `${name}.csv`);
      if (as === 'svg') saveFile(new Blob([chartSvg(svg)], { type: 'image/svg+xml' }), `${name}.svg`);
      if (as === 'png') saveFile(await chartPng(svg), `${name}.png`);
      if (as === 'pdf') saveFile(await chartPdf(svg), `${name}.pdf`);
      setTrouble(null);
    } catch {
      setTrouble('The picture could not be made here. The figures can be saved as CSV.');
    }
  };
  const [head = [], ...rows] = table;
  return (
    <figure className="chart-frame">
      <figcaption className="d-flex align-items-center gap-2">
        <strong className="me-auto">{title}</strong>
        <Dropdown align="end">
          <Dropdown.Toggle variant="quiet" size="sm">
            Save…
          </Dropdown.Toggle>
          <Dropdown.Menu>
            {(['svg', 'png', 'pdf', 'csv'] as const).map((as) => (
              <Dropdown.Item key={as} as="button" onClick={() => void save(as)}>
                {as === 'csv' ? 'the figures (CSV)' : `the picture (${as.toUpperCase()})`}
              </Dropdown.Item>
            ))}
          </Dropdown.Menu>
        </Dropdown>
      </figcaption>
      <div ref={frame}>{children}</div>
      <Trouble>{trouble}</Trouble>
      <details>
        <summary className="soft">The figures</summary>
        <table className="rows">
          <thead>
            <tr>
              {head.map((cell, i) => (
                <th key={i} scope="col" className={i > 0 ? 'num' : ''}>
                  {cell}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, r) => (
              <tr key={r}>
                {row.map((cell, i) => (
                  <td key={i} className={i > 0 ? 'num' : ''}>
                    {typeof cell === 'number' ? Math.round(cell * 1000) / 1000 : cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </figure>
  );
}
