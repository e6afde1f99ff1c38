import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import type { ReactNode } from 'react';
import { PATH_HEADER } from '@/server/http';
import { whoIsHere } from '@/server/people';
import { TopBar } from '@/ui/shared/top-bar';
import { WhoContext } from '@/ui/people/who';

/** All screens but the door: where people sign in, only for those who have. */
export default async function Layout({ children }: { children: ReactNode }) {
  const asked = await headers();
  const who = await whoIsHere(asked);
  if (who.isOn && !who.person) redirect(`/sign-in?then=${encodeURIComponent(asked.get(PATH_HEADER) ?? '/')}`);
  return (
    <WhoContext value={who}>
      {who.person && <meta name="workspace" content={String(who.person.workspace)} />}
      <TopBar />
      {children}
    </WhoContext>
  );
}
