import { ShapesScreen } from '@/ui/shapes/shapes-screen';

export default function Page() {
  return <ShapesScreen />;
}
