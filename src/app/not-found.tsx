import { Link } from '@/ui/parts/Link';

export default function NotFound() {
  return (
    <main className="gate">
      <div className="sheet plain">
        <h1 className="fs-5 fw-bold">This is not there</h1>
        <p>It may have been moved, or it is not open to you.</p>
        <Link className="btn btn-primary" href="/">
          To the start
        </Link>
      </div>
    </main>
  );
}
