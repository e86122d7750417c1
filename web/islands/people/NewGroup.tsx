import { call } from '@web/ui/api';
import { NameSheet } from '@web/ui/NameSheet';

export function NewGroup() {
  return <NameSheet label="New group" longest={80} make={async (name) => `/groups/${(await call('makeGroup', { body: { name } })).id}`} />;
}
