/** A page of the application, with other words that it is looked for by. */
export interface PageFound {
  readonly name: string;
  readonly href: string;
  readonly also: string;
}

const TRAINEE: readonly PageFound[] = [
  { name: 'Today', href: '/today', also: 'home start due tasks homework next practise' },
  { name: 'My progress', href: '/progress', also: 'levels results scores statistics curve best' },
];
const STAFF: readonly PageFound[] = [
  { name: 'Groups', href: '/groups', also: 'class learners trainees students results progress' },
  { name: 'Courses', href: '/courses', also: 'units lessons plan curriculum' },
  { name: 'Build', href: '/build', also: 'exercises author create write edit new exercise' },
  { name: 'Library', href: '/library', also: 'models files parts landmarks' },
  { name: 'Import a model', href: '/library/import', also: 'upload add file glb stl new' },
];
const LEAD: readonly PageFound[] = [
  { name: 'People', href: '/people', also: 'users accounts staff instructors roles' },
  { name: 'Import people', href: '/people/import', also: 'csv upload list class add users' },
  { name: 'Who changed what', href: '/people/changes', also: 'audit log history' },
];
const ALL: readonly PageFound[] = [
  { name: 'Schemes', href: '/schemes', also: 'controls keys shortcuts bindings mouse settings keyboard' },
  { name: 'My account', href: '/account', also: 'password settings profile' },
];

export const pagesFor = (role: 'trainee' | 'instructor' | 'lead'): readonly PageFound[] => [
  ...(role === 'trainee' ? TRAINEE : STAFF),
  ...(role === 'lead' ? LEAD : []),
  ...ALL,
];
