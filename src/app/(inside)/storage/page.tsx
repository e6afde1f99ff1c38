import { StorageScreen } from '@/ui/storage/storage-screen';

export default function Page() {
  return <StorageScreen />;
}
