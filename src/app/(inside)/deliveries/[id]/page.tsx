import { notFound } from 'next/navigation';
import { DeliveryScreen } from '@/ui/deliveries/delivery-screen';

export const metadata = { title: 'Delivery' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!/^\d{1,15}$/.test(id)) notFound();
  return <DeliveryScreen id={Number(id)} />;
}
