import { guides } from '@/server/help';
import { HelpScreen } from '@/ui/help/help-screen';

export const metadata = { title: 'Help' };

export default async function Page() {
  return <HelpScreen guides={await guides()} />;
}
