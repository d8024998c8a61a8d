import { Findings } from '@/features/findings/Findings';

export default function FindingsPage() {
  return <Findings />;
}
