'use client';
import type { InputHTMLAttributes } from 'react';

type UnitBoxProps = InputHTMLAttributes<HTMLInputElement> & { readonly unit: string };

/** A box to type a number into, its unit at the end. */
export function UnitBox({ unit, ...input }: UnitBoxProps) {
  return (
    <div className="box">
      <input className="form-control" inputMode="decimal" autoComplete="off" {...input} />
      <span className="unit" aria-hidden>
        {unit}
      </span>
    </div>
  );
}
