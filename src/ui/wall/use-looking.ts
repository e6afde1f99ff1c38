'use client';
import { useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import { allMembers, membersOf, type BenchPhoto } from '../photos/in-slots';

/** What the easel goes through: the list as it was when it opened, however findings come and go meanwhile. */
export function useLooking(photos: readonly BenchPhoto[], shown: readonly BenchPhoto[]) {
  const [looking, setLooking] = useState<number | null>(null);
  const [listed, setListed] = useState<readonly number[]>([]);
  // A link from the report puts one photo on the easel.
  const asked = Number(useSearchParams().get('photo'));
  const [answered, setAnswered] = useState(0);
  const at = asked !== answered ? photos.findIndex(({ id }) => id === asked) : -1;
  if (at >= 0) {
    setAnswered(asked);
    setListed(photos.map(({ id }) => id));
    setLooking(at);
  }
  const opened = useMemo(() => {
    const by = new Map(photos.map((photo) => [photo.id, photo]));
    return listed.flatMap((id) => by.get(id) ?? []);
  }, [photos, listed]);
  return {
    opened,
    /** Its place in them; null while the easel is closed. */
    looking,
    setLooking,
    /** Opens the easel on a place of what is shown. */
    openAt: (place: number): void => {
      // Of a group all its photos, one after the other.
      const all = allMembers(shown);
      setListed(all);
      setLooking(Math.max(0, all.indexOf(shown[place] ? membersOf(shown[place])[0]! : -1)));
    },
  };
}
