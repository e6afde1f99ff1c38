'use client';
import { Button } from 'react-bootstrap';

export type StoppedProps = {
  /** With a digest where it happened on the server, whose log holds the rest. */
  readonly error: Error & { readonly digest?: string };
};

/** In place of a page that could not be drawn. */
export function Stopped({ error }: StoppedProps) {
  return (
    <main className="page">
      <div className="empty" role="alert">
        <h1>This page has stopped</h1>
        <p>What was saved is kept. Reload the page to go on.</p>
        <p className="small-text">
          {error.digest ? `The server’s log tells why, under ${error.digest}.` : `What went wrong: ${error.message}`}
        </p>
        <div className="d-flex justify-content-center gap-2">
          <Button onClick={() => location.reload()}>Reload the page</Button>
          {/* Loaded anew: whatever has stopped is left behind. */}
          <Button variant="plain" href="/">
            All batches
          </Button>
        </div>
      </div>
    </main>
  );
}
