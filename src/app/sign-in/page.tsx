import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { whoIsHere } from '@/server/people';
import { SignInScreen } from '@/ui/people/sign-in-screen';

export const metadata = { title: 'Sign in' };

/** A path of this application: nothing that leads anywhere else. */
const pathIn = (then: unknown) => (typeof then === 'string' && /^\/(?![/\\])/.test(then) ? then : '/');

export default async function Page({ searchParams }: { searchParams: Promise<{ then?: unknown }> }) {
  const then = pathIn((await searchParams).then);
  const who = await whoIsHere(await headers());
  if (!who.isOn || who.person) redirect(then);
  return <SignInScreen then={then} />;
}
