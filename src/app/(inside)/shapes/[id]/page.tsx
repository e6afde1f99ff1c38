import { notFound } from 'next/navigation';
import { Suspense } from 'react';
import { ShapeEditor } from '@/ui/shapes/shape-editor';

export const metadata = { title: 'Shape' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!/^(new|\d{1,15})$/.test(id)) notFound();
  return (
    <Suspense>
      <ShapeEditor id={id === 'new' ? null : Number(id)} />
    </Suspense>
  );
}
