import { BatchesScreen } from '@/ui/batches/batches-screen';

export const metadata = { title: 'Batches' };

export default function Page() {
  return <BatchesScreen />;
}
