import { LagMeter } from '@/features/meter/LagMeter';

export default function MeterPage() {
  return <LagMeter />;
}
