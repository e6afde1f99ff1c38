import { ShapesScreen } from '@/ui/shapes/shapes-screen';

export const metadata = { title: 'Shapes' };

export default function Page() {
  return <ShapesScreen />;
}
