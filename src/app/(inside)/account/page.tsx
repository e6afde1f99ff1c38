import { AccountScreen } from '@/ui/people/account-screen';

export const metadata = { title: 'Your account' };

export default function Page() {
  return <AccountScreen />;
}
