import { notFound } from 'next/navigation';

/** Whatever no other page answers: told below the top bar. */
export default function Page() {
  notFound();
}
