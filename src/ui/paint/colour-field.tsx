'use client';
import { Pipette, Star } from 'lucide-react';
import { useId, useState } from 'react';
import { colourSchema, parseColour } from '@/core/paint';
import { useWithin } from '../shared/use-within';
import { keepColour, noteColour, useOwnColours } from './own-colours';
import { pickColour } from './pipette';

/** The colour without its alpha as #rrggbb, which is all a colour input takes. */
export function opaqueHex(colour: string): string {
  const { r, g, b } = parseColour(colour);
  return `#${[r, g, b]
    .map((v) =>
      Math.round(v * 255)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
}

type ColourFieldProps = {
  readonly label: string;
  readonly value: string;
  readonly onChange: (colour: string) => void;
  readonly onDrag?: (active: boolean) => void;
};

/** Colours to be taken again, seen while the field is worked on. */
function OwnColours({ value, onTake }: { readonly value: string; readonly onTake: (colour: string) => void }) {
  const { last, kept } = useOwnColours();
  const isKept = kept.includes(value);
  return (
    <div className="own-colours" role="group" aria-label="Colours to take again">
      {[...kept, ...last.filter((colour) => !kept.includes(colour))].map((colour) => (
        <button
          key={colour}
          type="button"
          aria-label={`Take ${colour}${kept.includes(colour) ? ', kept' : ''}`}
          title={colour}
          style={{ background: colour }}
          data-kept={kept.includes(colour)}
          onClick={() => onTake(colour)}
        />
      ))}
      <button
        type="button"
        className="keep"
        aria-pressed={isKept}
        aria-label={`Keep ${value}`}
        title={isKept ? 'kept; let it go' : 'keep this colour'}
        onClick={() => keepColour(value)}
      >
        <Star size={13} aria-hidden fill={isKept ? 'currentColor' : 'none'} />
      </button>
    </div>
  );
}

/** A colour to pick, to type in CSS hex notation, or to take out of a cutout. */
export function ColourField({ label, value, onChange, onDrag }: ColourFieldProps) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const { within, ...focus } = useWithin();
  const commit = (text: string) => {
    setTyped(null);
    const colour = text.trim().startsWith('#') ? text.trim() : `#${text.trim()}`;
    if (!colourSchema.safeParse(colour).success || colour === value) return;
    onChange(colour.toLowerCase());
    noteColour(colour.toLowerCase());
  };
  const take = (colour: string | null) => {
    if (colour === null) return;
    onChange(colour);
    noteColour(colour);
  };
  return (
    <div className="field colour-field" {...focus}>
      <label htmlFor={id}>{label}</label>
      <div className="d-flex gap-2">
        <input
          type="color"
          aria-label={`${label}, picker`}
          value={opaqueHex(value)}
          onFocus={() => onDrag?.(true)}
          onBlur={() => {
            onDrag?.(false);
            noteColour(value);
          }}
          onChange={(event) => onChange(event.target.value)}
        />
        <input
          id={id}
          className="form-control"
          style={{ width: '6rem', paddingInline: '0.4rem' }}
          autoComplete="off"
          spellCheck={false}
          value={typed ?? value}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={(event) => commit(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && commit(event.currentTarget.value)}
        />
        <button
          type="button"
          className="pipette"
          aria-label={`${label} out of a cutout`}
          title="take it out of a cutout: click on one"
          onClick={() => void pickColour().then(take)}
        >
          <Pipette size={15} aria-hidden />
        </button>
      </div>
      {within && <OwnColours value={value} onTake={take} />}
    </div>
  );
}
