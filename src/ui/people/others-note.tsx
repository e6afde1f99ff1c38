'use client';
import { Users } from 'lucide-react';
import type { Seen } from '@/server/services';
import { useWho } from './who';

/** Who else looks at the same: nothing where nobody does. */
export function OthersNote({ others }: { readonly others: Seen['others'] }) {
  const { isOn } = useWho();
  if (others.length === 0) return null;
  const names = others.map(({ name, isYou }) => (!isOn ? 'another window' : isYou ? 'you, in another window' : name));
  const words = `Also here: ${names.join(', ')}`;
  return (
    <span className="small-text others" title={words}>
      <Users size={14} aria-hidden /> <span className="name-line">{words}</span>
    </span>
  );
}
