/** Who asks, and what they may do. */
import { WobrelError } from '../../core/errors';

/** What people may do in a workspace, each all that those before may: look; work on batches; make templates; rule. */
export const ROLES = ['viewer', 'artist', 'maker', 'owner'] as const;
export type Role = (typeof ROLES)[number];

export type Actor = {
  /** Of the person; null for the one person of an application without sign-in, and for the application itself. */
  readonly person: string | null;
  /** As it is shown beside what they did. */
  readonly name: string;
  readonly role: Role;
  /** The window that it is asked in; none for scripts, and for the application itself. */
  readonly window?: string | null;
};

/** Whoever sits at a machine on which nobody signs in. */
export const ANYONE: Actor = { person: null, name: 'You', role: 'owner' };

/** The actor's name, to be kept with what they made; null where nobody signs in. */
export const nameOf = ({ actor }: { readonly actor: Actor }): string | null =>
  actor.person === null ? null : actor.name;

/** Work that goes on by itself. */
export const ITSELF: Actor = { person: null, name: 'Wobrel', role: 'owner' };

const MAY: Readonly<Record<Role, string>> = {
  viewer: 'looking and downloading',
  artist: 'working on batches',
  maker: 'changing templates, shapes and pictures',
  owner: 'this',
};

/** @throws WobrelError `not-allowed` where the actor's role is below what is needed */
export function demand({ actor }: { readonly actor: Actor }, least: Role): void {
  if (ROLES.indexOf(actor.role) >= ROLES.indexOf(least)) return;
  throw new WobrelError(
    'not-allowed',
    `You are ${actor.role} here: ${MAY[least]} is for the role of ${least}${least === 'owner' ? '' : ' and above'}.`,
  );
}
