import { BatchesScreen } from '@/ui/batches/batches-screen';

export default function Page() {
  return <BatchesScreen />;
}
