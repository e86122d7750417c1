import { call, wordsOf } from '@web/ui/api';
import { LabelledInput } from '@web/ui/LabelledInput';
import { Sheet, SheetEnd } from '@web/ui/Sheet';
import { useState } from 'react';
import { toast } from 'sonner';

interface Props {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly exerciseId: string;
  readonly version: number;
  readonly groups: readonly { readonly id: string; readonly name: string }[];
}

/** Gives the published version to a group. */
export function AssignSheet({ open, onOpenChange, exerciseId, version, groups }: Props) {
  const [groupId, setGroupId] = useState(groups[0]?.id ?? '');
  const [dueOn, setDueOn] = useState('');
  const [error, setError] = useState<string | null>(null);
  const assign = async (): Promise<void> => {
    setError(null);
    try {
      await call('assign', { params: { id: groupId }, body: { exerciseId, dueOn: dueOn || null } });
      toast.success(`Assigned to ${groups.find((g) => g.id === groupId)?.name ?? 'the group'}.`);
      onOpenChange(false);
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  return (
    <Sheet
      open={open}
      onOpenChange={onOpenChange}
      title={`Version ${version} is published`}
      about="Assign it to a group, and its trainees find it under Today."
    >
      <div className="space-y-4 p-1">
        <label className="block">
          <span className="mb-1 block font-semibold">Group</span>
          <select className="field" value={groupId} onChange={(e) => setGroupId(e.target.value)}>
            {groups.map((group) => (
              <option key={group.id} value={group.id}>
                {group.name}
              </option>
            ))}
          </select>
        </label>
        <LabelledInput label="Due on (may stay empty)" type="date" value={dueOn} onChange={setDueOn} />
        <SheetEnd error={error} no="Not now" onNo={() => onOpenChange(false)} yes="Assign" onYes={() => void assign()} off={!groupId} />
      </div>
    </Sheet>
  );
}
