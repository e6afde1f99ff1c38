'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { DeliveryProgress } from '@/server/services';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { ask } from '../shared/ask';
import { say } from '../shared/say';
import { fileSize, plural } from '../shared/words';
import { MayButton } from '../people/may-button';

/** Removes a delivery that is over, once it has been asked about. */
export function RemoveDelivery({ delivery }: { readonly delivery: DeliveryProgress }) {
  const router = useRouter();
  const client = useQueryClient();
  const [error, setError] = useState<string | null>(null);
  const remove = async () => {
    const { id, filesDone, bytes } = delivery;
    const words = `${plural(filesDone, 'file')}, ${fileSize(bytes)}, are gone from this disk for good. What was sent or downloaded stays where it is, and so does the batch.`;
    if (!(await ask({ title: 'Remove this delivery', words, action: 'Remove' }))) return;
    try {
      await api(`/api/deliveries/${id}`, 'DELETE');
    } catch (e) {
      return setError((e as Error).message);
    }
    say('The delivery is removed');
    router.push('/deliveries');
    await anew(client, ['deliveries', 'all']);
  };
  return (
    <>
      <MayButton least="artist" variant="link" size="sm" className="p-0" onClick={() => void remove()}>
        Remove this delivery…
      </MayButton>
      {error && <span className="text-danger">✕ {error}</span>}
    </>
  );
}
