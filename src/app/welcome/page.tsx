import { WelcomeScreen } from '@/ui/people/welcome-screen';

/** Where a one-time link leads. */
export default function Page() {
  return <WelcomeScreen />;
}
