import { DoingsScreen } from '@/ui/doings/doings-screen';

export const metadata = { title: 'Who did what' };

export default function Page() {
  return <DoingsScreen />;
}
