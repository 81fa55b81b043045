import type { Metadata } from 'next';
import { outside } from '@/server/outside';
import { checkCertificate } from '@/server/results/certificates';
import { Sign } from '@/ui/frame/Sign';
import { dayOnly } from '@/ui/words/time';

export const metadata: Metadata = { title: 'Check a certificate' };

interface Props {
  searchParams: Promise<{ number?: string | string[] }>;
}

/** Says to anybody who has the number of a certificate whether it holds, and whose it is. */
export default async function CheckPage({ searchParams }: Props) {
  const { number } = await searchParams;
  const typed = typeof number === 'string' ? number.slice(0, 60) : '';
  const found = typed.trim() === '' ? null : await checkCertificate(await outside(), typed);
  return (
    <main className="gate">
      <div className="sheet plain">
        <h1 className="fs-5 fw-bold d-flex gap-2 align-items-center">
          <Sign /> Check a certificate
        </h1>
        <form method="get">
          <label htmlFor="number">Its number</label>
          <div className="d-flex gap-2">
            <input
              id="number"
              name="number"
              className="form-control"
              autoComplete="off"
              maxLength={60}
              defaultValue={typed}
              placeholder="XXXX-XXXX-XXXX"
            />
            <button className="btn btn-primary">Check</button>
          </div>
        </form>
        {found && (
          <div className="mt-3" role="status">
            <p className={`fs-5 mb-1 ${found.holds ? 'good' : 'wrong'}`}>
              {found.holds
                ? '✓ This certificate holds.'
                : 'This certificate was given out, but does not hold any more.'}
            </p>
            <p className="mb-0" dir="auto">
              {found.name} passed {found.exam} ({found.course}) at {found.institute}. Number {found.number}, given out
              on {dayOnly(found.issuedAt)}.
            </p>
          </div>
        )}
        {typed.trim() !== '' && !found && (
          <p className="wrong mt-3 mb-0" role="status">
            No certificate has this number. Look at each sign: there is no 0, 1, I or O in it.
          </p>
        )}
      </div>
    </main>
  );
}
