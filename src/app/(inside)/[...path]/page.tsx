import { notFound } from 'next/navigation';

export const metadata = { title: 'Nothing here' };

/** Whatever no other page answers: told below the top bar. */
export default function Page() {
  notFound();
}
