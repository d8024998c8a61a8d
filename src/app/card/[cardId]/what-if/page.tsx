import { WhatIfTool } from '@/features/what-if/WhatIfTool';

export default function WhatIfToolPage() {
  return <WhatIfTool />;
}
