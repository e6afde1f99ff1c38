import { AccountScreen } from '@/ui/people/account-screen';

export default function Page() {
  return <AccountScreen />;
}
