'use client';
import { OutboxPart } from './outbox-part';
import { PeopleTable } from './people-table';
import { TokensPart } from './tokens-part';
import { TurnOn } from './turn-on';
import { useMay, useWho } from './who';
import { WorkspacePart } from './workspace-part';

/** Who signs in, and what each may. */
export function PeopleScreen() {
  const { person } = useWho();
  const isOwner = useMay('owner');
  return (
    <main className={person ? 'page' : 'page narrow'}>
      <h1 className="mb-3">People</h1>
      {!person ? (
        <TurnOn />
      ) : isOwner ? (
        <>
          <PeopleTable />
          <TokensPart />
          <OutboxPart />
          <WorkspacePart />
        </>
      ) : (
        <p className="muted">People are for the owners of a workspace; you are {person.role} here.</p>
      )}
    </main>
  );
}
