import { call } from '@web/ui/api';
import { RowAction } from './RowAction';

/** Makes an exercise of one's own with the same content, and opens it. */
export function CopyExercise({ id, name }: { readonly id: string; readonly name: string }) {
  const copy = async (): Promise<void> => {
    const made = await call('copyExercise', { params: { id } });
    window.location.href = `/build/${made.id}`;
  };
  return <RowAction label="Copy" name={name} act={copy} />;
}
