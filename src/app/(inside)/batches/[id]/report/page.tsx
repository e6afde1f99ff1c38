import { notFound } from 'next/navigation';
import { ReportScreen } from '@/ui/report/report-screen';

export const metadata = { title: 'Report' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!/^\d{1,15}$/.test(id)) notFound();
  return <ReportScreen batchId={Number(id)} />;
}
