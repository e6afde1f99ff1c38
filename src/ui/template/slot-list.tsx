'use client';
import { ArrowDown, ArrowUp, Copy, X } from 'lucide-react';
import { Button } from 'react-bootstrap';
import { patternOf, readPattern } from '@/core/groups';
import type { Slot } from '@/core/template';
import { NameField } from './name-field';
import { finishedAlike, freeName, MOST_SLOTS, swapped, withCopy } from './slot-lists';

type SlotListProps = {
  readonly slots: readonly Slot[];
  /** Which is in hand. */
  readonly slot: number;
  readonly byName: boolean;
  /** Other slots, and which of them is in hand then. */
  readonly onSlots: (slots: readonly Slot[], slot: number) => void;
};

/** All slots, one of them in hand: named, moved in the list, copied, removed. */
export function SlotList({ slots, slot, byName, onSlots }: SlotListProps) {
  const own = slots[slot]!;
  const set = (fields: Partial<Slot>) => onSlots(slots.map((one, i) => (i === slot ? { ...one, ...fields } : one)), slot); // prettier-ignore
  const rename = (name: string) => {
    const others = slots.filter((_, i) => i !== slot);
    set({ name: freeName(others, name) });
  };
  const pattern = readPattern(patternOf(own));
  return (
    <>
      <div className="slot-row" role="group" aria-label="Slots">
        {slots.map(({ name }, i) => (
          <Button
            key={name}
            variant={i === slot ? 'primary' : 'plain'}
            aria-pressed={i === slot}
            onClick={() => onSlots(slots, i)}
          >
            {name}
          </Button>
        ))}
      </div>
      <NameField label="Name" value={own.name} most={60} onChange={rename} />
      {slots.length > 1 && (
        <NameField
          label="Set"
          value={own.set ?? ''}
          most={60}
          isOptional
          onChange={(name) => set({ set: name || null })}
        />
      )}
      {byName && (
        <>
          <NameField label="File names" value={patternOf(own)} most={200} onChange={(photo) => set({ photo })} />
          {typeof pattern === 'string' && <p className="text-danger small-text">{pattern}.</p>}
        </>
      )}
      <div className="d-flex gap-1 flex-wrap mb-2">
        <Button
          variant="quiet"
          disabled={slot === 0}
          aria-label={`Slot ${own.name} further down`}
          title="further down"
          onClick={() => onSlots(swapped(slots, slot, slot - 1), slot - 1)}
        >
          <ArrowUp size={14} aria-hidden />
        </Button>
        <Button
          variant="quiet"
          disabled={slot === slots.length - 1}
          aria-label={`Slot ${own.name} further up`}
          title="further up"
          onClick={() => onSlots(swapped(slots, slot, slot + 1), slot + 1)}
        >
          <ArrowDown size={14} aria-hidden />
        </Button>
        <Button
          variant="quiet"
          disabled={slots.length >= MOST_SLOTS}
          aria-label={`Copy slot ${own.name}`}
          title="copy"
          onClick={() => onSlots(withCopy(slots, slot), slot + 1)}
        >
          <Copy size={14} aria-hidden />
        </Button>
        <Button
          variant="quiet"
          disabled={slots.length === 1}
          aria-label={`Remove slot ${own.name}`}
          title="remove"
          onClick={() =>
            onSlots(
              slots.filter((_, i) => i !== slot),
              Math.max(0, slot - 1),
            )
          }
        >
          <X size={14} aria-hidden />
        </Button>
        {slots.length > 1 && (
          <Button
            variant="quiet"
            title="Edge, centring, colours, borders and shadows of this slot for all"
            onClick={() => onSlots(finishedAlike(slots, slot), slot)}
          >
            All alike
          </Button>
        )}
      </div>
    </>
  );
}
