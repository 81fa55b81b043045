'use client';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { letterAt } from '@/core/base/letters';
import type { PrintedHead } from '@/server/exams/printed';
import { Strip } from '../frame/Strip';
import { CheckLine } from '../parts/CheckLine';
import type { DrawnVersion } from './draw-version';
import { PageFoot } from './PageFoot';
import { type Print, printAddress, type PrintOrder } from './print-order';
import { AnswerSheet, PrintedKey } from './PrintedKey';
import { PrintedPaper } from './PrintedPaper';
import { PrintedScheme } from './PrintedScheme';
import './print.scss';

interface Props {
  exam: PrintedHead;
  version: DrawnVersion;
  order: PrintOrder;
  back: { href: string; name: string };
  /** Whether the server can make PDF files. */
  pdf: boolean;
}

const SHEETS = { paper: PrintedPaper, key: PrintedKey, scheme: PrintedScheme, answers: AnswerSheet };
const NAMES: Record<Print, string> = {
  paper: 'the paper',
  key: 'the key',
  scheme: 'the marking scheme',
  answers: 'the answer sheet',
};

/** What will come out of the printer, and what can be chosen about it. */
export function PrintDesk({ exam, version, order, back, pdf }: Props) {
  const router = useRouter();
  const choose = (part: Partial<PrintOrder>): void => router.replace(printAddress(order, part), { scroll: false });
  const left = order.without.split(',').filter(Boolean);
  const Sheet = SHEETS[order.what];
  return (
    <>
      <Strip where={back} title="Print">
        {pdf && (
          <a
            className="btn btn-outline-primary"
            href={`print/pdf${printAddress(order)}`}
            download={`${exam.title}.pdf`}
          >
            As PDF
          </a>
        )}
        <Button onClick={() => window.print()}>Print</Button>
      </Strip>
      <div className="split with-margin">
        <div className={`sheet plain printed ${order.size}`}>
          <PageFoot text={[exam.title, exam.versions > 1 && `version ${version.name}`].filter(Boolean).join(', ')} />
          <Sheet exam={exam} version={version} />
        </div>
        <aside className="margin no-print" aria-label="What is printed">
          <h2>What is printed</h2>
          <div className="note">
            {(Object.keys(NAMES) as Print[]).map((what) => (
              <label key={what} className="d-flex gap-2">
                <input
                  type="radio"
                  name="what"
                  className="form-check-input"
                  checked={order.what === what}
                  onChange={() => choose({ what })}
                />
                {NAMES[what]}
              </label>
            ))}
            <CheckLine checked={order.size === 'large'} onChange={(on) => choose({ size: on ? 'large' : 'normal' })}>
              large print
            </CheckLine>
          </div>
          <div className="note">
            <h3>Versions</h3>
            <div className="fact-line">
              <select
                className="form-select"
                aria-label="How many versions"
                value={order.versions}
                onChange={(e) => choose({ versions: Number(e.target.value), version: 0 })}
              >
                {[1, 2, 3, 4, 5, 6].map((n) => (
                  <option key={n} value={n}>
                    {n === 1 ? 'one paper for all' : `${n} versions`}
                  </option>
                ))}
              </select>
              {order.versions > 1 && (
                <select
                  className="form-select"
                  aria-label="How versions differ"
                  value={order.apart}
                  onChange={(e) => choose({ apart: e.target.value as PrintOrder['apart'] })}
                >
                  <option value="order">the same questions in another order</option>
                  <option value="draws">other draws and values</option>
                </select>
              )}
            </div>
            {order.versions > 1 && (
              <div className="fact-line mt-1" role="group" aria-label="Version">
                {Array.from({ length: order.versions }, (_, i) => (
                  <Button
                    key={i}
                    size="sm"
                    variant={i === order.version ? 'primary' : 'outline-primary'}
                    aria-pressed={i === order.version}
                    aria-label={`Version ${letterAt(i)}`}
                    onClick={() => choose({ version: i })}
                  >
                    {letterAt(i)}
                  </Button>
                ))}
              </div>
            )}
          </div>
          {exam.some.length > 0 && (
            <div className="note">
              <h3>For whom</h3>
              {exam.some.map(({ id, letter, title }) => (
                <CheckLine
                  key={id}
                  checked={!left.includes(id)}
                  onChange={(on) =>
                    choose({ without: (on ? left.filter((one) => one !== id) : [...left, id]).join(',') })
                  }
                >
                  with {letter} {title}
                </CheckLine>
              ))}
            </div>
          )}
          <p className="soft">
            {pdf
              ? 'Pages are numbered in print and in the PDF.'
              : 'Pages are numbered in print. This server has no Chromium, so choose “Save as PDF” where you print.'}
          </p>
        </aside>
      </div>
    </>
  );
}
