import { LonePage } from '@/ui/layout';

export default function NotFound() {
  return (
    <LonePage>
      <h1>There is no such page</h1>
      <p>The address may be mistyped. Your cards are not affected.</p>
      <a href="/">To the job cards</a>
    </LonePage>
  );
}
