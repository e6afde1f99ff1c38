import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="page">
      <div className="empty">
        <h1>There is nothing at this address</h1>
        <Link href="/">All batches</Link>
      </div>
    </main>
  );
}
