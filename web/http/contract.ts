import { courseSchema, draftSchema, keptSceneSchema, landmarkSchema, namingSchema, schemeSchema, traceSchema, vec3Schema, viewSchema } from '@core';
import { ENCODINGS, type Encoding } from '@formats/peopleCsv';
import { z } from 'zod';
import { ANSWERS, type EndpointName } from './answers';

/** Most bytes that a request may bring, by what it brings; `body.ts` says how many. */
export type Most = 'signIn' | 'json' | 'draft' | 'pictures' | 'handIn' | 'try' | 'people' | 'model';

/** An error that an endpoint may answer beside those of all. */
export type ErrorCase = readonly [status: number, code: string];

export interface Terms {
  /** Who may ask: anybody, whoever is signed in, or instructors and leads. */
  readonly who: 'anyone' | 'person' | 'staff';
  /** The JSON of a request; `form`: files as a form; null: nothing is sent. */
  readonly request: z.ZodType | 'form' | null;
  readonly most?: Most;
  /** Its body goes on unread, and is parsed in the pool. */
  readonly unread?: true;
  readonly errors?: readonly ErrorCase[];
}

/** What any endpoint may answer: see `docs/api.json`. */
export const ALWAYS: readonly ErrorCase[] = [
  [400, 'cut-off'],
  [401, 'signed-out'],
  [404, 'not-found'],
  [413, 'too-large'],
  [422, 'invalid'],
  [429, 'too-many'],
  [500, 'internal'],
  [503, 'busy'],
  [503, 'database-away'],
];

const id = z.string().max(64);
const name = z.string().max(200);
/** What is corrected, what becomes of its attempts, and what those who have it are told. */
const correction = z.object({ exerciseId: id, attempts: z.enum(['count', 'doNotCount']).default('count'), why: z.string().max(200).default('') });
const FORBIDDEN: ErrorCase = [403, 'forbidden'];
const message = z.string().max(2000, 'write at most 400 characters');
const somePeople = z.array(id).min(1, 'choose somebody').max(500, 'choose at most 500 people');
const peopleFile = z.object({
  file: z.base64('send the bytes of the file as base64'),
  encoding: z
    .enum(Object.keys(ENCODINGS) as [Encoding, ...Encoding[]])
    .nullable()
    .default(null),
});
const commentWords = z.string().max(2000, 'write at most 2000 characters');

const TERMS = {
  signIn: {
    who: 'anyone',
    request: z.object({ name: z.string().min(1, 'write your name').max(200), password: z.string().min(1, 'write your password').max(200) }),
    most: 'signIn',
    errors: [[401, 'wrong-sign-in']],
  },
  demoSignIn: { who: 'anyone', request: z.object({ name: z.string().max(60) }), most: 'signIn' },
  signOut: { who: 'anyone', request: z.object({}) },
  /** A new trainee joins the group of a code; signed in by the answer. */
  join: {
    who: 'anyone',
    request: z.object({ code: z.string().min(1, 'write the code').max(40), name, password: z.string().max(500) }),
    most: 'signIn',
  },

  openAttempt: { who: 'person', request: z.object({ exerciseId: id, version: z.number().int(), schemeId: id }), errors: [[409, 'changed']] },
  attemptState: { who: 'person', request: null },
  handIn: {
    who: 'person',
    request: traceSchema,
    most: 'handIn',
    unread: true,
    errors: ['start', 'command', 'part', 'time', 'rate', 'steps', 'exercise', 'too-long'].map((code) => [422, `refused-${code}`] as const),
  },
  giveHint: { who: 'person', request: z.object({ step: z.number().int().min(0).max(100), number: z.number().int().min(0).max(10) }) },
  trace: { who: 'person', request: null },
  comments: { who: 'person', request: null },
  /** `t`: seconds from the attempt's opening; `point`: of the model, world metres; `answersId`: the comment that it answers. */
  addComment: {
    who: 'person',
    request: z.object({
      t: z.number().min(0).max(86_400),
      point: vec3Schema.nullable().default(null),
      words: commentWords,
      answersId: id.nullable().default(null),
    }),
    errors: [FORBIDDEN, [409, 'full']],
  },
  commentsRead: { who: 'person', request: z.object({}) },
  editComment: {
    who: 'person',
    request: z.object({ words: commentWords }),
    errors: [FORBIDDEN],
  },
  markUnderstood: { who: 'person', request: z.object({ understood: z.boolean() }), errors: [FORBIDDEN] },
  removeComment: { who: 'person', request: null, errors: [FORBIDDEN] },
  /** Null: it counts again. */
  leaveOut: { who: 'staff', request: z.object({ why: z.string().max(400).nullable() }) },
  /** Null: what was computed counts again. */
  setScore: { who: 'staff', request: z.object({ set: z.object({ score: z.number().min(0).max(100), why: z.string().max(400) }).nullable() }) },
  tryOut: { who: 'staff', request: z.object({ content: draftSchema, trace: traceSchema }), most: 'try', unread: true },

  /** Those that can be given: published, and not put away. */
  exercisesToGive: { who: 'staff', request: null },
  makeExercise: { who: 'staff', request: z.object({ modelId: id }) },
  /** `base`: the revision of the draft that it was changed on; `window`: the page that changed it, as it names itself. */
  saveDraft: {
    who: 'staff',
    request: z.object({ draft: draftSchema, base: z.number().int().min(1), window: z.string().min(1).max(40) }),
    most: 'draft',
    errors: [FORBIDDEN],
  },
  /** `page`: the page in which it is edited, as it names itself; `left`: it is being closed. */
  editing: { who: 'staff', request: z.object({ page: z.string().min(1).max(40), left: z.boolean().optional() }), errors: [FORBIDDEN] },
  /** What a group reached in each criterion of the newest version, step by step: each member's best and first value. */
  groupValues: { who: 'staff', request: null },
  archiveExercise: { who: 'staff', request: z.object({ archived: z.boolean() }), errors: [FORBIDDEN] },
  copyExercise: { who: 'staff', request: null },
  /** Pictures as base64 of a PNG. */
  publish: {
    who: 'staff',
    request: z.object({ pictures: z.array(z.base64().max(1_500_000).nullable()).max(20) }),
    most: 'pictures',
    errors: [FORBIDDEN, [409, 'changed']],
  },
  targetPicture: { who: 'person', request: null },
  exercisePicture: { who: 'staff', request: null },
  modelPicture: { who: 'person', request: null },

  makeCourse: { who: 'staff', request: z.object({ name }) },
  /** `base`: the revision that it was changed on. */
  saveCourse: {
    who: 'staff',
    request: z.object({ base: z.number().int().min(1), course: courseSchema }),
    most: 'draft',
    errors: [FORBIDDEN, [409, 'changed']],
  },
  changeCourse: { who: 'staff', request: z.object({ shared: z.boolean().optional(), archived: z.boolean().optional() }), errors: [FORBIDDEN] },
  copyCourse: { who: 'staff', request: null },
  /** `pace`: days for a unit; `dues`: days that are set for units, by unit. */
  giveCourse: {
    who: 'staff',
    request: z.object({
      courseId: id,
      startsOn: z.iso.date('choose a date'),
      pace: z.number().int('write whole days').min(1, 'write 1 or more').max(365, 'write 365 or less').nullable(),
      dues: z.record(id, z.iso.date('choose a date')).default({}),
    }),
  },
  takeCourseBack: { who: 'staff', request: z.object({ courseId: id }) },

  /** What can be gone to, and what the stage does with the gestures of a scheme. */
  findable: { who: 'person', request: null },

  makeGroup: { who: 'staff', request: z.object({ name }), errors: [FORBIDDEN] },
  renameGroup: { who: 'staff', request: z.object({ name }), errors: [FORBIDDEN] },
  /** Its people stay, with all that they did. */
  deleteGroup: { who: 'staff', request: null, errors: [FORBIDDEN] },
  assign: { who: 'staff', request: z.object({ exerciseId: id, dueOn: z.iso.date('choose a date').nullable().default(null) }) },
  giveTo: { who: 'staff', request: z.object({ personIds: somePeople, exerciseId: id, dueOn: z.iso.date('choose a date').nullable().default(null) }) },
  takeFrom: { who: 'staff', request: z.object({ exerciseId: id }) },
  takeBack: { who: 'staff', request: correction },
  moveToNewest: { who: 'staff', request: correction },
  noticeRead: { who: 'person', request: null },
  answerTo: { who: 'person', request: z.object({ words: message }) },
  writeTo: { who: 'staff', request: z.object({ personIds: somePeople, words: message }) },
  addPerson: {
    who: 'staff',
    request: z.object({ name, signIn: name, password: z.string().max(500), role: z.enum(['instructor', 'trainee']) }),
    errors: [FORBIDDEN, [409, 'taken']],
  },
  groupSkills: { who: 'staff', request: null },
  /** A new code by which trainees join a group, open for so many days. */
  openJoining: { who: 'staff', request: z.object({ days: z.number().int().min(1).max(90) }) },
  closeJoining: { who: 'staff', request: null },
  /** The bytes of a CSV file as base64; without an encoding it is guessed. */
  previewPeople: { who: 'staff', request: peopleFile, most: 'people', errors: [FORBIDDEN] },
  /** `leaveOut`: bad lines are left out; else they keep the file back. */
  importPeople: {
    who: 'staff',
    request: peopleFile.extend({ name: z.string().max(200), leaveOut: z.boolean() }),
    most: 'people',
    errors: [FORBIDDEN, [409, 'changed']],
  },
  /** How many passwords of one's import are made ready, and of how many; 0 of 0: none is under way here. */
  importing: { who: 'staff', request: null },
  newPasswords: { who: 'staff', request: z.object({ personIds: somePeople }), errors: [FORBIDDEN] },
  /** From a group, or from none; to a group, or out of all. */
  movePeople: { who: 'staff', request: z.object({ personIds: somePeople, from: id.nullable(), to: id.nullable() }), errors: [FORBIDDEN] },
  changePerson: {
    who: 'staff',
    request: z.object({ name: name.optional(), role: z.enum(['lead', 'instructor', 'trainee']).optional(), active: z.boolean().optional() }),
    errors: [FORBIDDEN],
  },
  /** What of a person others need, and who could take it over. */
  leavingOf: { who: 'staff', request: null, errors: [FORBIDDEN] },
  deletePerson: { who: 'staff', request: z.object({ heirId: id.nullable() }), errors: [FORBIDDEN] },
  /** Seen by those who teach the learner, never by the learner. */
  addNote: { who: 'staff', request: z.object({ words: z.string().max(2000, 'write at most 2000 characters') }) },
  removeNote: { who: 'staff', request: null },
  /** Days by which everything is due later; 0: as for the others. */
  giveExtraTime: {
    who: 'staff',
    request: z.object({
      days: z.number().int('write whole days').min(0).max(365, 'write 365 or less'),
      why: z.string().max(200, 'write at most 200 characters').default(''),
    }),
  },
  wholePerson: { who: 'person', request: null },
  setPassword: {
    who: 'person',
    request: z.object({ password: z.string().max(500), present: z.string().max(500).optional() }),
    most: 'signIn',
    errors: [FORBIDDEN],
  },
  personAttempts: { who: 'person', request: null },
  /** Attempts at one skill that count, with what the level is folded from, and what they lost. */
  personSkill: { who: 'person', request: null },

  importModel: { who: 'staff', request: 'form', most: 'model', errors: [[415, 'not-a-form']] },
  changeModel: {
    who: 'staff',
    request: z.object({ name: name.optional(), shared: z.boolean().optional(), archived: z.boolean().optional(), home: viewSchema.optional() }),
    errors: [FORBIDDEN],
  },
  reviseModel: { who: 'staff', request: 'form', most: 'model', errors: [FORBIDDEN, [415, 'not-a-form']] },
  nameParts: { who: 'staff', request: namingSchema, most: 'draft', errors: [FORBIDDEN, [409, 'changed']] },
  mesh: { who: 'person', request: null },
  landmarks: { who: 'person', request: null },
  markLandmark: { who: 'staff', request: landmarkSchema, errors: [FORBIDDEN] },
  renameLandmark: { who: 'staff', request: z.object({ name }), errors: [FORBIDDEN] },
  removeLandmark: { who: 'staff', request: null, errors: [FORBIDDEN] },
  putLandmarkBack: { who: 'staff', request: null, errors: [FORBIDDEN] },

  views: { who: 'person', request: null },
  keepView: {
    who: 'person',
    request: z.object({ name, about: z.string().max(1000).default(''), forAll: z.boolean().default(false), scene: keptSceneSchema }),
    errors: [FORBIDDEN],
  },
  changeView: {
    who: 'person',
    request: z.object({
      name: name.optional(),
      about: z.string().max(1000).optional(),
      scene: keptSceneSchema.optional(),
      move: z.union([z.literal(1), z.literal(-1)]).optional(),
    }),
    errors: [FORBIDDEN],
  },
  removeView: { who: 'person', request: null, errors: [FORBIDDEN] },
  putViewBack: { who: 'person', request: null, errors: [FORBIDDEN] },

  schemes: { who: 'person', request: null },
  /** A new scheme is made from another one, or from a file's text. */
  makeScheme: { who: 'person', request: z.union([z.object({ from: id }), z.object({ file: z.string().max(2_000_000) })]), most: 'draft' },
  saveScheme: { who: 'person', request: z.object({ base: z.number().int().min(1), scheme: schemeSchema }), errors: [FORBIDDEN, [409, 'changed']] },
  removeScheme: { who: 'person', request: null, errors: [FORBIDDEN] },
  shareScheme: { who: 'staff', request: z.object({ groupId: id, how: z.enum(['shared', 'locked', 'none']) }), errors: [FORBIDDEN] },
} as const satisfies { readonly [N in EndpointName]: Terms };

type Terms_ = typeof TERMS;

/** For every endpoint its method and path, who may ask, and the schemas of request, answer and errors. */
export const CONTRACT = Object.fromEntries((Object.keys(ANSWERS) as EndpointName[]).map((each) => [each, { ...ANSWERS[each], ...TERMS[each] }])) as unknown as {
  readonly [N in EndpointName]: (typeof ANSWERS)[N] & Terms_[N];
};

type SchemaOf<N extends EndpointName> = Terms_[N]['request'];
/** What is sent, as a page writes it. */
export type RequestOf<N extends EndpointName> = SchemaOf<N> extends z.ZodType ? z.input<SchemaOf<N>> : SchemaOf<N> extends 'form' ? FormData : undefined;
/** What is sent, as the server has it once it is parsed. */
export type ParsedOf<N extends EndpointName> = SchemaOf<N> extends z.ZodType ? z.output<SchemaOf<N>> : undefined;
