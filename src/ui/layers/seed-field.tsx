'use client';
import { Dices } from 'lucide-react';
import { Button } from 'react-bootstrap';
import { NumberField } from '../shared/number-field';

const MOST = 9999;

type SeedFieldProps = { readonly seed: number; readonly onChange: (seed: number) => void };

/** What a pattern by lot begins from, and another one in a click. */
export const SeedField = ({ seed, onChange }: SeedFieldProps) => (
  <div className="d-flex align-items-center gap-2">
    <div className="flex-grow-1">
      <NumberField label="Seed" value={seed} min={0} max={MOST} onChange={(v) => onChange(Math.round(v))} />
    </div>
    <Button variant="quiet" className="text-nowrap" onClick={() => onChange((seed + 1) % (MOST + 1))}>
      <Dices size={14} aria-hidden /> another
    </Button>
  </div>
);
