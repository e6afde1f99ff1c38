import { TemplatesScreen } from '@/ui/templates/templates-screen';

export const metadata = { title: 'Templates' };

export default function Page() {
  return <TemplatesScreen />;
}
