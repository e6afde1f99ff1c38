import { WelcomeScreen } from '@/ui/people/welcome-screen';

export const metadata = { title: 'Welcome' };

/** Where a one-time link leads. */
export default function Page() {
  return <WelcomeScreen />;
}
