import { Symptoms } from '@/features/symptoms/Symptoms';

export default function SymptomsPage() {
  return <Symptoms />;
}
