import { call } from '@web/ui/api';
import { RowAction } from './RowAction';

interface Props {
  readonly what: 'exercise' | 'model';
  readonly id: string;
  readonly name: string;
  /** Whether it is put away now. */
  readonly away: boolean;
}

/** Puts an exercise or a model away, or brings it back; nothing of it is lost. */
export function PutAway({ what, id, name, away }: Props) {
  const change = async (): Promise<void> => {
    if (what === 'exercise') await call('archiveExercise', { params: { id }, body: { archived: !away } });
    else await call('changeModel', { params: { id }, body: { archived: !away } });
    window.location.reload();
  };
  return <RowAction label={away ? 'Bring back' : 'Put away'} name={name} act={change} />;
}
