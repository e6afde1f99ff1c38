import { TemplatesScreen } from '@/ui/templates/templates-screen';

export default function Page() {
  return <TemplatesScreen />;
}
