import { StorageScreen } from '@/ui/storage/storage-screen';

export const metadata = { title: 'Storage' };

export default function Page() {
  return <StorageScreen />;
}
