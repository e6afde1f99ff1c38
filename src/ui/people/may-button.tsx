'use client';
import { Button, type ButtonProps } from 'react-bootstrap';
import type { Role } from '@/server/workspace';
import { useMay } from './who';

/** A button for those of a role and above: greyed, with the reason, for others. */
export function MayButton({ least, ...button }: Omit<ButtonProps, 'as'> & { readonly least: Role }) {
  const may = useMay(least);
  return <Button {...button} {...(may ? {} : { disabled: true, title: `For the role of ${least} and above` })} />;
}
