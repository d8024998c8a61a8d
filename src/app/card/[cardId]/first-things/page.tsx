import { FirstThings } from '@/features/first-things/FirstThings';

export default function FirstThingsPage() {
  return <FirstThings />;
}
