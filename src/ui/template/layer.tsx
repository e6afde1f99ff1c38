'use client';
import { ArrowDown, ArrowUp, Eye, EyeOff, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';

type LayerProps = {
  readonly title: string;
  readonly on: boolean;
  readonly onSwitch: (on: boolean) => void;
  readonly onRemove: () => void;
  /** Where the order counts: moves it in the list; null at that end. */
  readonly onMove?: { readonly up: (() => void) | null; readonly down: (() => void) | null };
  readonly children: ReactNode;
};

/** One layer of a list: switched off and on, moved, removed, and what it says. */
export function Layer({ title, on, onSwitch, onRemove, onMove, children }: LayerProps) {
  const Sign = on ? Eye : EyeOff;
  return (
    <div className="layer" role="group" aria-label={title}>
      <div className="d-flex align-items-center">
        <span className="small-text muted me-auto">{title}</span>
        {onMove && (
          <>
            <Button variant="quiet" disabled={!onMove.up} aria-label={`${title} up`} onClick={() => onMove.up?.()}>
              <ArrowUp size={14} aria-hidden />
            </Button>
            <Button
              variant="quiet"
              disabled={!onMove.down}
              aria-label={`${title} down`}
              onClick={() => onMove.down?.()}
            >
              <ArrowDown size={14} aria-hidden />
            </Button>
          </>
        )}
        <Button variant="quiet" aria-pressed={on} aria-label={`${title} shown`} onClick={() => onSwitch(!on)}>
          <Sign size={14} aria-hidden /> {on ? 'shown' : 'off'}
        </Button>
        <Button variant="quiet" onClick={onRemove}>
          <X size={14} aria-hidden /> Remove<span className="visually-hidden"> {title.toLowerCase()}</span>
        </Button>
      </div>
      {children}
    </div>
  );
}
