import { ProxiesTool } from '@/features/proxies/ProxiesTool';

export default function ProxiesPage() {
  return <ProxiesTool />;
}
