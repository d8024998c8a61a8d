import { Fixes } from '@/features/fixes/Fixes';

export default function FixesPage() {
  return <Fixes />;
}
