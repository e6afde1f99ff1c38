import { DeliveriesScreen } from '@/ui/deliveries/deliveries-screen';

export const metadata = { title: 'Deliveries' };

export default function Page() {
  return <DeliveriesScreen />;
}
