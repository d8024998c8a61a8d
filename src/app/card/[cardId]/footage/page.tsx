import { Footage } from '@/features/footage/Footage';

export default function FootagePage() {
  return <Footage />;
}
