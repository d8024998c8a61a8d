import { Machine } from '@/features/machine/Machine';

export default function MachinePage() {
  return <Machine />;
}
