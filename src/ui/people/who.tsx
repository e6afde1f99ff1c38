'use client';
import { createContext, use } from 'react';
import type { WhoIsHere } from '@/server/people';
import type { Role } from '@/server/workspace';

/** Who this page is shown to. */
export const WhoContext = createContext<WhoIsHere>({ isOn: false, person: null });

export const useWho = (): WhoIsHere => use(WhoContext);

/** What people may do, each all that those before may, in words. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  viewer: 'looks and downloads',
  artist: 'works on batches and deliveries',
  maker: 'makes templates and shapes, too',
  owner: 'rules over people, too',
};

const IN_ORDER = Object.keys(ROLE_WORDS) as Role[];

/** Whether whoever this page is shown to may do what takes a role; the server says so again. */
export function useMay(least: Role): boolean {
  const { person } = useWho();
  return person === null || IN_ORDER.indexOf(person.role) >= IN_ORDER.indexOf(least);
}
