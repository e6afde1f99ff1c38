import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="page">
      <div className="empty">
        <p>There is nothing at this address.</p>
        <Link href="/">All batches</Link>
      </div>
    </main>
  );
}
