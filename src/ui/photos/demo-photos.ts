'use client';
/** Brings the demo's photos in as if they had been picked. */
import { api } from '../shared/api';

/** The made-up makers' portraits as files. */
export async function demoFiles(): Promise<File[]> {
  const { names } = await api<{ names: string[] }>('/api/demo');
  return Promise.all(
    names.map(async (name) => {
      const answer = await fetch(`/api/demo/${encodeURIComponent(name)}`);
      if (!answer.ok) throw new Error(`The demo photo ${name} can’t be read.`);
      return new File([await answer.blob()], name, { type: 'image/jpeg' });
    }),
  );
}
