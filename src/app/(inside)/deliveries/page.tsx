import { DeliveriesScreen } from '@/ui/deliveries/deliveries-screen';

export default function Page() {
  return <DeliveriesScreen />;
}
