'use client';
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { Copy, Eye, EyeOff, GripVertical, Lock, LockOpen, RotateCcw, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';

type LayerCardProps = {
  readonly title: string;
  /** What it is like; seen while it is closed. */
  readonly words: string;
  readonly on: boolean;
  readonly onSwitch: (on: boolean) => void;
  readonly onRemove: () => void;
  /** Whether it is left as it is; left out where that can't be. */
  readonly locked?: boolean;
  readonly onLock?: (locked: boolean) => void;
  /** Puts everything back to what a new layer has. */
  readonly onReset: () => void;
  /** Null where there is no room for one more. */
  readonly onCopy?: (() => void) | null;
  /** Of several: its place, whether it is the open one, and how it is moved. */
  readonly among?: {
    readonly id: string;
    readonly open: boolean;
    readonly onOpen: () => void;
    readonly onMove: (by: 1 | -1) => void;
  };
  /** Of those that stay where they are: whether it is open. */
  readonly opens?: Pick<NonNullable<LayerCardProps['among']>, 'open' | 'onOpen'>;
  /** True in a list of them all: a line with its lock and its eye. */
  readonly isLine?: boolean;
  readonly children: ReactNode;
};

/** The grip of one of several, dragged by hand and moved by the arrow keys. */
function Grip({ title, among }: { readonly title: string; readonly among: NonNullable<LayerCardProps['among']> }) {
  const { setActivatorNodeRef, listeners } = useSortable({ id: among.id });
  return (
    <button
      ref={setActivatorNodeRef}
      type="button"
      className="grip"
      aria-label={`Move ${title.toLowerCase()}: arrow keys, or drag`}
      {...listeners}
      onKeyDown={(event) => {
        const by = { ArrowUp: -1, ArrowDown: 1 }[event.key] as 1 | -1 | undefined;
        if (by === undefined) return;
        event.preventDefault();
        among.onMove(by);
      }}
    >
      <GripVertical size={14} aria-hidden />
    </button>
  );
}

/** Moves with the hand that drags it. */
function Sortable({
  id,
  title,
  children,
}: {
  readonly id: string;
  readonly title: string;
  readonly children: ReactNode;
}) {
  const { setNodeRef, transform, transition } = useSortable({ id });
  const style = { transform: CSS.Translate.toString(transform), transition };
  return (
    <div ref={setNodeRef} className="layer" role="group" aria-label={title} style={style}>
      {children}
    </div>
  );
}

/** One layer: switched off and on, moved, copied, reset, removed, and what it says. */
export function LayerCard(props: LayerCardProps) {
  const {
    title,
    words,
    on,
    onSwitch,
    onRemove,
    locked = false,
    onLock,
    onReset,
    onCopy,
    among,
    isLine = false,
    children,
  } = props;
  const opens = among ?? props.opens;
  const Sign = on ? Eye : EyeOff;
  const name = title.toLowerCase();
  const isOpen = opens?.open ?? true;
  // Beside the signs of an open one there is no room for words.
  const hasWords = !isLine && !isOpen;
  const LockSign = locked ? Lock : LockOpen;
  const inside = (
    <>
      <div className="d-flex align-items-center">
        {among && !locked && <Grip title={title} among={among} />}
        {opens ? (
          <button type="button" className="layer-head" aria-expanded={isOpen} onClick={opens.onOpen}>
            <span>{title}</span>
            {!isOpen && <span className="muted">{words}</span>}
          </button>
        ) : (
          <span className="small-text muted me-auto text-nowrap">{title}</span>
        )}
        <Button
          variant="quiet"
          aria-pressed={on}
          aria-label={`${title} shown`}
          title={on ? 'shown' : 'off'}
          onClick={() => onSwitch(!on)}
        >
          <Sign size={14} aria-hidden /> {hasWords && (on ? 'shown' : 'off')}
        </Button>
        {onLock && (isOpen || locked || isLine) && (
          <Button
            variant="quiet"
            aria-pressed={locked}
            aria-label={`Lock ${name}`}
            title={locked ? 'locked: it stays as it is' : 'lock'}
            onClick={() => onLock(!locked)}
          >
            <LockSign size={14} aria-hidden />
          </Button>
        )}
        {isOpen && !locked && (
          <>
            {onCopy !== undefined && (
              <Button
                variant="quiet"
                disabled={onCopy === null}
                aria-label={`Copy ${name}`}
                title="copy"
                onClick={() => onCopy?.()}
              >
                <Copy size={14} aria-hidden />
              </Button>
            )}
            <Button variant="quiet" aria-label={`Reset ${name}`} title="as a new one" onClick={onReset}>
              <RotateCcw size={14} aria-hidden />
            </Button>
          </>
        )}
        {!locked && (isOpen || !isLine) && (
          <Button variant="quiet" aria-label={`Remove ${name}`} title="remove" onClick={onRemove}>
            <X size={14} aria-hidden />
          </Button>
        )}
      </div>
      {isOpen && (
        <fieldset disabled={locked} className={locked ? 'locked' : undefined}>
          {children}
        </fieldset>
      )}
    </>
  );
  if (among)
    return (
      <Sortable id={among.id} title={title}>
        {inside}
      </Sortable>
    );
  return (
    <div className="layer" role="group" aria-label={title}>
      {inside}
    </div>
  );
}
