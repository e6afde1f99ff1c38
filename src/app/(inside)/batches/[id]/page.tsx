import { notFound } from 'next/navigation';
import { WallScreen } from '@/ui/wall/wall-screen';

export const metadata = { title: 'Batch' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!/^\d{1,15}$/.test(id)) notFound();
  return <WallScreen batchId={Number(id)} />;
}
