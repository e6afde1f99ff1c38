'use client';
import { useId, useState, type CSSProperties } from 'react';
import { Overlay, Popover } from 'react-bootstrap';
import { z } from 'zod';
import type { PhotoRow } from '@/server/services';
import { ColourField, opaqueHex } from '../paint/colour-field';
import { createKept } from '../shared/kept';
import { WhatIs } from '../shared/what-is';
import { useRoving } from '../shared/use-roving';

/** The ground behind cutouts: the transparency grid, one of the photos, or a colour. Only for looking; never exported. */
export type Ground = 'grid' | 'photo' | `#${string}`;

const GROUNDS: readonly (readonly [Ground, string])[] = [
  ['grid', 'transparency grid'],
  ['#ffffff', 'white'],
  ['#c9c9c9', 'grey'],
  ['#6e6e6e', 'dark grey'],
  ['#111111', 'black'],
  ['photo', 'a photo'],
];
const FIRST_OWN: Ground = '#b5482f';
/** Own colours that can be taken again. */
const LAST = 6;

const colour = z.custom<Ground>(
  (v) => v === 'grid' || v === 'photo' || (typeof v === 'string' && /^#[0-9a-f]{6}$/.test(v)),
);
const kept = createKept('ground', z.object({ ground: colour, own: z.array(colour) }), { ground: '#c9c9c9', own: [] });

const isOwn = (ground: Ground) => GROUNDS.every(([value]) => value !== ground);

/** The grid and the photo are the style sheet's. */
export const groundStyle = (ground: Ground) => (ground.startsWith('#') ? { background: ground } : undefined);

type Seen = Pick<PhotoRow, 'sha256' | 'sight'>;

const plainness = ({ sight }: Seen): number => sight?.ground.plain ?? 1;

/** What a screen with photos shows where the ground is one of them: the least plain, for that is what is hard to stand out from. */
export const groundPhoto = (photos: readonly Seen[]): CSSProperties => {
  const [first, ...others] = photos;
  if (!first) return {};
  const { sha256 } = others.reduce((least, one) => (plainness(one) < plainness(least) ? one : least), first);
  return { '--ground-photo': `url("/api/photos/${sha256}/proxy/512")` } as CSSProperties;
};

export function useGround() {
  const { ground } = kept.useValue();
  return [ground, (next: Ground) => kept.change((before) => ({ ...before, ground: next }))] as const;
}

/** Notes a colour among the last ones, once it is settled on. */
const noteOwn = (ground: Ground) =>
  kept.change((before) => ({ ...before, own: [ground, ...before.own.filter((one) => one !== ground)].slice(0, LAST) }));

type GroundPickerProps = { readonly ground: Ground; readonly onChange: (ground: Ground) => void };

/** Any colour, by a well, by its number, or one of the last. */
function OwnGround({ ground, onChange }: GroundPickerProps) {
  const id = useId();
  const { own } = kept.useValue();
  const [button, setButton] = useState<HTMLButtonElement | null>(null);
  const [open, setOpen] = useState(false);
  const shown = isOwn(ground) ? ground : (own[0] ?? FIRST_OWN);
  const close = () => {
    setOpen(false);
    if (isOwn(ground)) noteOwn(ground);
  };
  return (
    <>
      <button
        ref={setButton}
        type="button"
        className="swatch swatch-own"
        style={groundStyle(shown)}
        aria-expanded={open}
        aria-controls={id}
        aria-label="Ground of any colour"
        title="any colour"
        onClick={() => (open ? close() : setOpen(true))}
      />
      <Overlay show={open} target={button} placement="bottom-start" rootClose onHide={close}>
        <Popover
          id={id}
          role="dialog"
          aria-label="Ground of any colour"
          onKeyDown={(event) => {
            if (event.key !== 'Escape') return;
            close();
            button?.focus();
          }}
        >
          <Popover.Body>
            <ColourField label="Colour" value={shown} onChange={(next) => onChange(opaqueHex(next) as Ground)} />
            {own.length > 0 && (
              <div className="d-flex gap-2 align-items-center mt-2" role="group" aria-label="Last colours">
                {own.map((one) => (
                  <button
                    key={one}
                    type="button"
                    className="swatch"
                    style={groundStyle(one)}
                    aria-label={`Ground ${one}`}
                    title={one}
                    onClick={() => onChange(one)}
                  />
                ))}
              </div>
            )}
          </Popover.Body>
        </Popover>
      </Overlay>
    </>
  );
}

export function GroundPicker({ ground, onChange }: GroundPickerProps) {
  const { group, choice } = useRoving(
    GROUNDS.map(([value]) => value),
    ground,
    onChange,
  );
  return (
    <div className="swatches">
      <span className="muted">
        Ground <WhatIs word="ground" />
      </span>
      <div ref={group} className="swatches" role="radiogroup" aria-label="Ground">
        {GROUNDS.map(([value, label]) => (
          <button
            key={value}
            type="button"
            className="swatch ground"
            data-ground={value}
            style={groundStyle(value)}
            aria-label={label}
            title={label}
            {...choice(value)}
          />
        ))}
      </div>
      <OwnGround ground={ground} onChange={onChange} />
    </div>
  );
}
