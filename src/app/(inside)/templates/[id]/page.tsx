import { notFound } from 'next/navigation';
import { TemplateScreen } from '@/ui/templates/template-screen';

export const metadata = { title: 'Template' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!/^\d{1,15}$/.test(id)) notFound();
  return <TemplateScreen id={Number(id)} />;
}
