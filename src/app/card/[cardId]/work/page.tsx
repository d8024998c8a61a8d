import { WhileYouWork } from '@/features/work/WhileYouWork';

export default function WhileYouWorkPage() {
  return <WhileYouWork />;
}
