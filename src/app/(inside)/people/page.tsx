import { PeopleScreen } from '@/ui/people/people-screen';

export default function Page() {
  return <PeopleScreen />;
}
