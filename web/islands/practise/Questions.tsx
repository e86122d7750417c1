import { Ask } from '@web/ui/Sheet';
import { useStore } from 'zustand';
import type { PractiseStore } from './practiseStore';

interface Props {
  readonly store: PractiseStore;
  readonly last: boolean;
  /** Why it is asked whether the step is done. */
  readonly far: string;
  readonly onRestart: () => void;
  readonly onDone: () => void;
  readonly onChange: () => void;
}

/** What is asked before something is lost. */
export function Questions({ store, last, far, onRestart, onDone, onChange }: Props) {
  const { sheet, wanted } = useStore(store);
  const opens = (name: 'restart' | 'far') => (open: boolean) => store.setState({ sheet: open ? name : null });
  return (
    <>
      <Ask
        open={sheet === 'restart'}
        onOpenChange={opens('restart')}
        title="Start again?"
        about="What you did so far in this attempt is dropped, and the clock begins anew."
        yes="Start again"
        no="Go on"
        onYes={onRestart}
      />
      <Ask
        open={sheet === 'far'}
        onOpenChange={opens('far')}
        title={last ? 'Hand it in as it is?' : 'Is this step done?'}
        about={far}
        yes={last ? 'Hand in anyway' : 'Next step anyway'}
        no="Go on"
        onYes={onDone}
      />
      <Ask
        open={wanted !== null}
        onOpenChange={(open) => !open && store.setState({ wanted: null })}
        title={`Change to ${wanted?.name ?? ''}?`}
        about="An attempt is made with one scheme: changing it starts again."
        yes="Change and start again"
        no="Keep this scheme"
        onYes={onChange}
      />
    </>
  );
}
