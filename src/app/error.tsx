'use client';
import Button from 'react-bootstrap/Button';

export default function ErrorPage({ reset }: { reset: () => void }) {
  return (
    <main className="gate">
      <div className="sheet plain" role="alert">
        <h1 className="fs-5 fw-bold">Something went wrong here</h1>
        <p>What was saved is safe. Try again; if it goes on, tell your department.</p>
        <Button onClick={reset}>Try again</Button>
      </div>
    </main>
  );
}
