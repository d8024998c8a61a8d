import { ProgramsTool } from '@/features/programs/ProgramsTool';

export default function ProgramsPage() {
  return <ProgramsTool />;
}
