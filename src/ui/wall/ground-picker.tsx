'use client';
import { useEffect, useState } from 'react';

/** The ground behind cutouts: the transparency grid or a colour. Only for looking; never exported. */
export type Ground = 'grid' | `#${string}`;

const GROUNDS: readonly (readonly [Ground, string])[] = [
  ['grid', 'transparency grid'],
  ['#ffffff', 'white'],
  ['#e6e6e6', 'light grey'],
  ['#c9c9c9', 'grey'],
  ['#6e6e6e', 'dark grey'],
  ['#111111', 'black'],
];
const OWN: Ground = '#b5482f';
const KEY = 'wobrel.ground';

export const groundStyle = (ground: Ground) => (ground === 'grid' ? undefined : { background: ground });

export function useGround() {
  const [ground, setGround] = useState<Ground>('#c9c9c9');
  useEffect(() => {
    const kept = localStorage.getItem(KEY);
    // Read after the first paint: the server's page knows nothing of this browser's choice.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    if (kept === 'grid' || /^#[0-9a-f]{6}$/.test(kept ?? '')) setGround(kept as Ground);
  }, []);
  return [
    ground,
    (next: Ground) => {
      localStorage.setItem(KEY, next);
      setGround(next);
    },
  ] as const;
}

export function GroundPicker({ ground, onChange }: { ground: Ground; onChange: (ground: Ground) => void }) {
  const own = GROUNDS.every(([value]) => value !== ground);
  return (
    <div className="d-flex align-items-center gap-2" role="radiogroup" aria-label="Ground">
      <span className="muted">Ground</span>
      {GROUNDS.map(([value, label]) => (
        <button
          key={value}
          type="button"
          role="radio"
          className="swatch ground"
          data-ground={value}
          style={groundStyle(value)}
          aria-checked={value === ground}
          aria-label={label}
          title={label}
          onClick={() => onChange(value)}
        />
      ))}
      <input
        type="color"
        aria-label="Ground of any colour"
        title="any colour"
        value={own && ground !== 'grid' ? ground : OWN}
        onChange={(event) => onChange(event.target.value as Ground)}
      />
    </div>
  );
}
