import { MyEditor } from '@/features/editor/MyEditor';

export default function MyEditorPage() {
  return <MyEditor />;
}
