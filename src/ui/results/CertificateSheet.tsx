'use client';
import Button from 'react-bootstrap/Button';
import type { Certificate } from '@/server/results/certificates';
import { Sign } from '../frame/Sign';
import { dayOnly } from '../words/time';
import './certificate.scss';

/** A certificate of passing, to print. */
export function CertificateSheet({ certificate, address }: { certificate: Certificate; address: string }) {
  const { institute, department, exam, text, number, issuedAt } = certificate;
  return (
    <div className="certificate-page">
      <p className="no-print text-end">
        <Button onClick={() => window.print()}>Print</Button>
      </p>
      <article className="certificate">
        <p className="from">
          <Sign /> {institute} · {department}
        </p>
        <h1>{exam}</h1>
        <p className="text" dir="auto">
          {text}
        </p>
        <footer>
          <span>
            Number <strong>{number}</strong>
          </span>
          <span>{dayOnly(issuedAt)}</span>
          <span>To check it: {address}</span>
        </footer>
      </article>
    </div>
  );
}
