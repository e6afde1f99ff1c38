import { DoingsScreen } from '@/ui/doings/doings-screen';

export default function Page() {
  return <DoingsScreen />;
}
