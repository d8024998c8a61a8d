import { Timeline } from '@/features/timeline/Timeline';

export default function TimelinePage() {
  return <Timeline />;
}
