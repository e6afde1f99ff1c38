import { PeopleScreen } from '@/ui/people/people-screen';

export const metadata = { title: 'People' };

export default function Page() {
  return <PeopleScreen />;
}
