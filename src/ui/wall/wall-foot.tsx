'use client';
import type { ReactNode } from 'react';
import { Button, Dropdown } from 'react-bootstrap';
import type { PhotoRow } from '@/server/services';
import { Key } from '../keys/key';
import { KEYS, type KeyId } from '../keys/table';
import type { PhotoEdits } from '../photos/use-edits';
import { MiddleName } from '../shared/middle-name';
import { amount, plural } from '../shared/words';

type WallFootProps = {
  readonly isDropping: boolean;
  readonly chosen: readonly PhotoRow[];
  readonly shownCount: number;
  readonly edits: PhotoEdits;
  /** Why photos could not be taken out. */
  readonly failure: string | null;
  /** Puts the chosen photo on the easel, or the one that the keys are at. */
  readonly onOpen: () => void;
  readonly onReview: (review: PhotoRow['review']) => void;
  readonly onRemove: () => void;
  /** At the far end: the way to the export. */
  readonly children: ReactNode;
};

type ActionProps = {
  readonly keyId: KeyId;
  readonly disabled: boolean;
  readonly onClick: () => void;
  readonly children: ReactNode;
};

/** A button that tells its key, for those who have one. */
function Action({ keyId, disabled, onClick, children }: ActionProps) {
  return (
    <Button variant="quiet" disabled={disabled} onClick={onClick}>
      {children} <Key aria-hidden shown={KEYS[keyId].shown} />
    </Button>
  );
}

/** Below the cutouts: what is chosen and what can be done with it. */
export function WallFoot(props: WallFootProps) {
  const { isDropping, chosen, shownCount, edits, failure, onOpen, onReview, onRemove, children } = props;
  const [first, ...others] = chosen;
  const trouble = edits.error ?? failure;
  const copy = () =>
    edits.apply(
      `copied to ${plural(others.length, 'photo')}`,
      others.map(({ id }) => ({ id, adjustment: first!.adjustment })),
    );
  const reset = () =>
    edits.apply(
      `reset ${plural(chosen.length, 'photo')}`,
      chosen.map(({ id }) => ({ id, adjustment: null })),
    );
  if (isDropping)
    return (
      <div className="wall-foot">
        <strong>Drop to bring the photos in</strong>
      </div>
    );
  return (
    <div className="wall-foot">
      <span className="name-line" aria-live="polite">
        {!first && <span className="muted">{plural(shownCount, 'cutout')}, none chosen</span>}
        {first && others.length === 0 && (
          <>
            1 chosen:{' '}
            <strong>
              <MiddleName name={first.name} />
            </strong>
          </>
        )}
        {others.length > 0 && `${amount(chosen.length)} chosen`}
      </span>
      <span className="d-flex gap-1 text-nowrap">
        <Action keyId="open" disabled={shownCount === 0} onClick={onOpen}>
          Open
        </Action>
        <Action keyId="wallGood" disabled={!first} onClick={() => onReview('good')}>
          Good
        </Action>
        <Action keyId="wallLeave" disabled={!first} onClick={() => onReview('out')}>
          Leave out
        </Action>
        {chosen.some(({ review }) => review !== 'open') && (
          <Action keyId="wallLook" disabled={false} onClick={() => onReview('open')}>
            To look at
          </Action>
        )}
      </span>
      {first && (
        <Dropdown drop="up">
          <Dropdown.Toggle variant="quiet">More</Dropdown.Toggle>
          <Dropdown.Menu popperConfig={{ strategy: 'fixed' }} renderOnMount={false}>
            {others.length > 0 && (
              <Dropdown.Item as="button" disabled={!first.adjustment} onClick={copy}>
                Copy the first one’s adjustment
              </Dropdown.Item>
            )}
            <Dropdown.Item as="button" disabled={chosen.every(({ adjustment }) => !adjustment)} onClick={reset}>
              {others.length > 0 ? 'Reset adjustments' : 'Reset its adjustment'}
            </Dropdown.Item>
            <Dropdown.Item as="button" onClick={onRemove}>
              Take out of the batch <Key aria-hidden shown={KEYS.remove.shown} />
            </Dropdown.Item>
          </Dropdown.Menu>
        </Dropdown>
      )}
      {trouble && (
        <span className="text-danger" role="alert">
          ✕ {trouble}
        </span>
      )}
      <span className="ms-auto d-flex align-items-center gap-3 text-nowrap">{children}</span>
    </div>
  );
}
