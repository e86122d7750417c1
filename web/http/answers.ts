import * as z from 'zod/mini';

/**
 * What each endpoint answers, and where it is found: what a page needs of the contract. Written with the small face of the
 * schema library, since every page ships it; `contract.ts` has the rest.
 */
export interface Face<P extends string = string, A extends z.ZodMiniType | null = z.ZodMiniType | null> {
  readonly method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  /** Parameters stand as `:name`. */
  readonly path: P;
  /** The JSON of a success; null: what is answered is no JSON. */
  readonly answer: A;
}

const face = <const P extends string, A extends z.ZodMiniType | null>(method: Face['method'], path: P, answer: A): Face<P, A> => ({ method, path, answer });

const id = z.string().check(z.minLength(1));
const nothing = z.object({});
const made = z.object({ id });
const role = z.enum(['lead', 'instructor', 'trainee']);
const vec3 = z.readonly(z.tuple([z.number(), z.number(), z.number()]));
const view = z.object({
  target: vec3,
  orientation: z.readonly(z.tuple([z.number(), z.number(), z.number(), z.number()])),
  distance: z.number(),
  projection: z.enum(['perspective', 'orthographic']),
  fovY: z.number(),
});
/** What was removed last and can be put back; `at` in ms since 1970. */
const removed = z.nullable(z.object({ id, name: z.string(), at: z.number() }));
const keptScene = z.object({
  view,
  section: z.nullable(z.object({ normal: vec3, offset: z.number() })),
  visibility: z.record(z.string(), z.enum(['shown', 'hidden', 'glass'])),
  style: z.enum(['shaded', 'shadedEdges', 'hiddenLine', 'outline', 'wireframe']),
});
/** A scheme: its bindings are parsed where they are used. */
const scheme = z.looseObject({
  id,
  revision: z.number(),
  name: z.string(),
  family: z.string(),
  bindings: z.array(z.looseObject({})),
  options: z.looseObject({}),
});
/** A card: the steps with what each criterion earned. */
const card = z.looseObject({
  format: z.number(),
  score: z.number(),
  flashes: z.number(),
  seconds: z.number(),
  gestures: z.number(),
  steps: z.readonly(z.array(z.looseObject({ id, score: z.number(), criteria: z.readonly(z.array(z.looseObject({ id: z.string(), points: z.number() }))) }))),
});

/** A draft, as it was sent before: its fields are those of the page's own. */
const draft = z.looseObject({ title: z.string(), brief: z.string(), steps: z.array(z.looseObject({ id })) });
const conflict = z.object({
  id,
  step: z.nullable(id),
  field: z.string(),
  criterion: z.optional(id),
  mine: z.unknown(),
  theirs: z.unknown(),
});

export const ANSWERS = {
  signIn: face('POST', '/api/sign-in', z.object({ role })),
  demoSignIn: face('POST', '/api/demo-sign-in', z.object({ role })),
  join: face('POST', '/api/join', z.object({ signIn: z.string() })),
  signOut: face('POST', '/api/sign-out', nothing),

  openAttempt: face('POST', '/api/attempts', z.object({ id, seed: z.number() })),
  attemptState: face('GET', '/api/attempts/:id', z.object({ elapsed: z.number(), over: z.boolean() })),
  handIn: face('POST', '/api/attempts/:id/hand-in', z.object({ score: z.number(), flashes: z.number() })),
  giveHint: face('POST', '/api/attempts/:id/hints', z.object({ html: z.string() })),
  trace: face('GET', '/api/attempts/:id/trace', z.looseObject({ moves: z.array(z.looseObject({})), events: z.array(z.looseObject({})) })),
  tryOut: face('POST', '/api/try', card),
  comments: face(
    'GET',
    '/api/attempts/:id/comments',
    z.object({
      comments: z.array(
        z.object({
          id,
          author: z.string(),
          mine: z.boolean(),
          answersId: z.nullable(id),
          t: z.number(),
          point: z.nullable(vec3),
          words: z.string(),
          madeAt: z.string(),
          edited: z.boolean(),
          understood: z.boolean(),
        }),
      ),
    }),
  ),
  addComment: face('POST', '/api/attempts/:id/comments', made),
  commentsRead: face('POST', '/api/attempts/:id/comments/read', nothing),
  editComment: face('PATCH', '/api/comments/:id', nothing),
  markUnderstood: face('POST', '/api/comments/:id/understood', nothing),
  removeComment: face('DELETE', '/api/comments/:id', nothing),
  leaveOut: face('POST', '/api/attempts/:id/left-out', nothing),
  setScore: face('POST', '/api/attempts/:id/score', nothing),

  exercisesToGive: face('GET', '/api/exercises', z.object({ exercises: z.readonly(z.array(z.object({ id, title: z.string() }))) })),
  makeExercise: face('POST', '/api/exercises', made),
  saveDraft: face('PUT', '/api/exercises/:id', z.object({ revision: z.number(), draft: z.nullable(draft), conflicts: z.array(conflict) })),
  editing: face('POST', '/api/exercises/:id/editing', z.object({ others: z.array(z.object({ name: z.string(), you: z.boolean() })) })),
  archiveExercise: face('PATCH', '/api/exercises/:id', nothing),
  copyExercise: face('POST', '/api/exercises/:id/copy', made),
  publish: face(
    'POST',
    '/api/exercises/:id/publish',
    z.object({ version: z.number(), unchanged: z.boolean(), warnings: z.array(z.object({ message: z.string(), field: z.string() })) }),
  ),
  groupValues: face(
    'GET',
    '/api/exercises/:id/groups/:group',
    z.object({
      steps: z.readonly(
        z.array(
          z.object({
            step: id,
            values: z.readonly(z.array(z.object({ criterion: id, bests: z.readonly(z.array(z.number())), firsts: z.readonly(z.array(z.number())) }))),
          }),
        ),
      ),
    }),
  ),
  targetPicture: face('GET', '/api/pictures/:exercise/:version/:step', null),
  exercisePicture: face('GET', '/api/exercises/:id/:version/picture', null),
  modelPicture: face('GET', '/api/models/:id/:revision/picture', null),

  makeCourse: face('POST', '/api/courses', made),
  saveCourse: face('PUT', '/api/courses/:id', z.object({ revision: z.number() })),
  changeCourse: face('PATCH', '/api/courses/:id', nothing),
  copyCourse: face('POST', '/api/courses/:id/copy', made),
  giveCourse: face('PUT', '/api/groups/:id/courses', nothing),
  takeCourseBack: face('DELETE', '/api/groups/:id/courses', nothing),

  findable: face(
    'GET',
    '/api/finder/:scheme',
    z.object({
      places: z.readonly(z.array(z.object({ kind: z.enum(['exercise', 'person', 'group', 'course', 'model']), name: z.string(), href: z.string() }))),
      gestures: z.readonly(z.array(z.object({ does: z.string(), gesture: z.string() }))),
    }),
  ),

  makeGroup: face('POST', '/api/groups', made),
  renameGroup: face('PATCH', '/api/groups/:id', nothing),
  deleteGroup: face('DELETE', '/api/groups/:id', nothing),
  assign: face('POST', '/api/groups/:id/assignments', nothing),
  giveTo: face('POST', '/api/people/exercises', nothing),
  takeFrom: face('DELETE', '/api/people/:id/exercises', nothing),
  takeBack: face('DELETE', '/api/groups/:id/assignments', nothing),
  moveToNewest: face('PATCH', '/api/groups/:id/assignments', z.object({ version: z.number() })),
  noticeRead: face('DELETE', '/api/notices/:id', nothing),
  answerTo: face('POST', '/api/notices/:id/answer', nothing),
  writeTo: face('POST', '/api/messages', nothing),
  addPerson: face('POST', '/api/groups/:id/people', made),
  groupSkills: face('GET', '/api/groups/:id/skills.csv', null),
  openJoining: face('POST', '/api/groups/:id/joining', nothing),
  closeJoining: face('DELETE', '/api/groups/:id/joining', nothing),
  previewPeople: face(
    'POST',
    '/api/people/preview',
    z.object({
      encoding: z.string(),
      fault: z.nullable(z.string()),
      lines: z.readonly(
        z.array(
          z.object({
            line: z.number(),
            name: z.string(),
            signIn: z.string(),
            role: z.string(),
            group: z.string(),
            becomes: z.enum(['new', 'joins', 'there', 'bad']),
            words: z.string(),
          }),
        ),
      ),
      newGroups: z.readonly(z.array(z.string())),
    }),
  ),
  importPeople: face(
    'POST',
    '/api/people/import',
    z.object({
      people: z.readonly(z.array(z.object({ name: z.string(), signIn: z.string(), group: z.string(), password: z.nullable(z.string()) }))),
      joined: z.number(),
    }),
  ),
  importing: face('GET', '/api/people/import', z.object({ done: z.number(), of: z.number() })),
  newPasswords: face('POST', '/api/people/passwords', z.object({ people: z.array(z.object({ name: z.string(), signIn: z.string(), password: z.string() })) })),
  movePeople: face('POST', '/api/people/move', nothing),
  changePerson: face('PATCH', '/api/people/:id', nothing),
  leavingOf: face(
    'GET',
    '/api/people/:id/leaving',
    z.object({
      models: z.number(),
      exercises: z.number(),
      courses: z.number(),
      schemes: z.number(),
      heirs: z.readonly(z.array(z.object({ id, name: z.string() }))),
    }),
  ),
  deletePerson: face('DELETE', '/api/people/:id', nothing),
  addNote: face('POST', '/api/people/:id/notes', made),
  removeNote: face('DELETE', '/api/notes/:id', nothing),
  giveExtraTime: face('PUT', '/api/people/:id/extra-time', nothing),
  wholePerson: face('GET', '/api/people/:id/everything', null),
  setPassword: face('POST', '/api/people/:id/password', nothing),
  personAttempts: face('GET', '/api/people/:id/attempts.csv', null),
  personSkill: face(
    'GET',
    '/api/people/:id/skills/:skill',
    z.object({
      tries: z.array(
        z.object({
          attemptId: id,
          exerciseId: id,
          title: z.string(),
          family: z.enum(['mouse', 'touch', 'keyboard', 'puck']),
          /** ms since 1970. */
          at: z.number(),
          score: z.number(),
          seconds: z.number(),
          difficulty: z.number(),
          helped: z.boolean(),
        }),
      ),
      losses: z.array(z.object({ criterion: z.string(), share: z.number() })),
    }),
  ),

  importModel: face('POST', '/api/models', made),
  changeModel: face('PATCH', '/api/models/:id', nothing),
  reviseModel: face('POST', '/api/models/:id/revisions', z.object({ revision: z.number() })),
  nameParts: face('POST', '/api/models/:id/parts', z.object({ revision: z.number() })),
  mesh: face('GET', '/api/meshes/:hash', null),
  landmarks: face(
    'GET',
    '/api/models/:id/landmarks',
    z.object({
      landmarks: z.array(z.object({ id, name: z.string(), kind: z.enum(['part', 'face', 'point']), part: z.string(), point: vec3, normal: vec3 })),
      removed,
    }),
  ),
  markLandmark: face('POST', '/api/models/:id/landmarks', made),
  renameLandmark: face('PATCH', '/api/landmarks/:id', nothing),
  removeLandmark: face('DELETE', '/api/landmarks/:id', nothing),
  putLandmarkBack: face('POST', '/api/landmarks/:id/back', nothing),

  views: face(
    'GET',
    '/api/models/:id/views',
    z.object({ views: z.array(z.object({ id, name: z.string(), about: z.string(), forAll: z.boolean(), mine: z.boolean(), scene: keptScene })), removed }),
  ),
  keepView: face('POST', '/api/models/:id/views', made),
  changeView: face('PATCH', '/api/views/:id', nothing),
  removeView: face('DELETE', '/api/views/:id', nothing),
  putViewBack: face('POST', '/api/views/:id/back', nothing),

  schemes: face(
    'GET',
    '/api/schemes',
    z.object({
      schemes: z.array(
        z.object({
          scheme,
          ownerName: z.nullable(z.string()),
          mine: z.boolean(),
          shares: z.readonly(z.array(z.object({ groupId: id, locked: z.boolean() }))),
          lockedBy: z.nullable(z.string()),
        }),
      ),
    }),
  ),
  makeScheme: face('POST', '/api/schemes', scheme),
  saveScheme: face('PUT', '/api/schemes/:id', scheme),
  removeScheme: face('DELETE', '/api/schemes/:id', nothing),
  shareScheme: face('POST', '/api/schemes/:id/share', nothing),
} as const;

export type EndpointName = keyof typeof ANSWERS;
export type AnswerOf<N extends EndpointName> = (typeof ANSWERS)[N]['answer'] extends z.ZodMiniType ? z.infer<NonNullable<(typeof ANSWERS)[N]['answer']>> : null;

/** The parameters of a path. */
export type ParamsOf<P extends string> = P extends `${string}:${infer Name}/${infer Rest}`
  ? { readonly [K in Name]: string } & ParamsOf<Rest>
  : P extends `${string}:${infer Name}`
    ? { readonly [K in Name]: string }
    : unknown;

/** A path with its parameters. */
export const pathOf = (path: string, params: Readonly<Record<string, string>>): string =>
  path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params[name] ?? ''));

/** What every endpoint answers when it refuses. */
export const errorSchema = z.object({
  error: z.object({ code: z.string(), message: z.string(), field: z.optional(z.string()), id: z.optional(z.string()) }),
});
