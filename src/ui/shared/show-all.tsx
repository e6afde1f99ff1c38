'use client';
import { Button } from 'react-bootstrap';

type ShowAllProps = {
  readonly isAll: boolean;
  readonly onChange: (isAll: boolean) => void;
  /** What it says while only the first are shown. */
  readonly children: React.ReactNode;
};

/** Below the first of a long list: the rest, and back again. It stays, and so does the focus on it. */
export const ShowAll = ({ isAll, onChange, children }: ShowAllProps) => (
  <Button variant="quiet" aria-expanded={isAll} onClick={() => onChange(!isAll)}>
    {isAll ? 'Show the first only' : children}
  </Button>
);
