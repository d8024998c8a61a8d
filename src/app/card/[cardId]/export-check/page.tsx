import { ExportCheck } from '@/features/export-check/ExportCheck';

export default function ExportCheckPage() {
  return <ExportCheck />;
}
