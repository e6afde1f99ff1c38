'use client';
import { useState, useSyncExternalStore, type ReactNode } from 'react';
import { Button, Form } from 'react-bootstrap';

type DoorProps = {
  readonly title: string;
  readonly action: string;
  readonly onDo: () => Promise<unknown>;
  /** What stands below the button. */
  readonly foot?: ReactNode;
  readonly children: ReactNode;
};

const nothing = () => () => {};
/** False as long as the page has come from the server and nothing of it works yet. */
const useIsAlive = () => useSyncExternalStore(nothing, () => true, () => false); // prettier-ignore

/** A page with one form and nothing else, for who is not in yet. */
export function Door({ title, action, onDo, foot, children }: DoorProps) {
  const [error, setError] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const isAlive = useIsAlive();
  const go = async () => {
    setBusy(true);
    setError(null);
    await onDo().catch((e: Error) => setError(e.message));
    setBusy(false);
  };
  return (
    <main className="door">
      <p className="brand">Wobrel</p>
      <Form
        className="panel p-4"
        onSubmit={(event) => {
          event.preventDefault();
          void go();
        }}
      >
        <h1 className="mb-3">{title}</h1>
        {children}
        {error && (
          <p className="text-danger mt-2 mb-0" role="alert">
            ✕ {error}
          </p>
        )}
        <Button type="submit" className="mt-3 w-100" disabled={isBusy || !isAlive}>
          {action}
        </Button>
        {foot && <p className="muted small-text mt-3 mb-0">{foot}</p>}
      </Form>
    </main>
  );
}
