import { JobCards } from '@/features/cards/JobCards';

export default function HomePage() {
  return <JobCards />;
}
