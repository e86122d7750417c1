import {
  apply,
  boxOf,
  type Command,
  type CommandGroupId,
  CRITERIA,
  type Criterion,
  type CriterionId,
  commandsToStand,
  contextFor,
  cornersAt,
  cross,
  defaultCriteria,
  distanceBetween,
  dot,
  type Exercise,
  eyeOf,
  type FeaturePick,
  FRAME,
  FRAME_ASPECT,
  fit,
  type Goal,
  initialScene,
  type Mesh,
  middleOf,
  minimumJerkPath,
  orientationFrom,
  partsUnder,
  type QuickCall,
  recordingOf,
  type Scene,
  type ScoredModel,
  type SkillId,
  simulateAttempt,
  sub,
  subjectPoints,
  TWO_BUTTON_MOUSE,
  unit,
  type Vec3,
  type View,
} from '@core';

import { floorBeneath } from './floor';

export type DemoModel = 'buoy' | 'optic' | 'drive' | 'lanternRoom' | 'tower';

/** What an exercise of the course is made from, once its model is known. */
export interface Plan {
  readonly title: string;
  readonly brief: string;
  readonly model: DemoModel;
  readonly start?: (model: ScoredModel) => Scene;
  readonly steps: readonly {
    readonly brief: string;
    readonly skill: SkillId;
    readonly hints: readonly string[];
    readonly goal: (model: ScoredModel, start: Scene) => Goal;
    /** Criteria without which nothing is done. */
    readonly must?: readonly CriterionId[];
    /** About which point it has to be turned, and how far off a turn may go, metres. */
    /** Whether one may look round first, off the clock. */
    readonly freeLook?: true;
    readonly about?: { readonly part: string; readonly within: number };
  }[];
  /** How attempts begin otherwise than at the start. */
  readonly variants?: Exercise['variants'];
  /** Whether its first step can be watched first. */
  readonly watched?: true;
  readonly forbidden?: readonly CommandGroupId[];
}

const DEG = Math.PI / 180;
/** Models that one can stand in. */
const HOUSES: readonly DemoModel[] = ['lanternRoom', 'tower'];

/** The scene after these commands. */
function after(model: ScoredModel, start: Scene, ...commands: readonly Command[]): Scene {
  const context = contextFor(model, start);
  const end = commands.reduce((scene, command) => apply(scene, command, context), start);
  return { ...initialScene(end.view), section: end.section, visibility: end.visibility, style: end.style };
}

/** Views of all of a model from azimuths and elevations, degrees. */
const seenFrom = ({ mesh, home }: ScoredModel, ...from: readonly (readonly [round: number, high: number])[]): View[] =>
  from.map(([round, high]) =>
    fit({ ...home, orientation: orientationFrom({ azimuth: round * DEG, elevation: high * DEG, roll: 0 }) }, subjectPoints(mesh, []), FRAME_ASPECT, 0.08),
  );

/** The spot that a hand picks on a part: in the middle of the triangle that looks that way, nearest to a place. */
function spot({ mesh }: ScoredModel, part: string, as: FeaturePick['as'], near: Vec3, way: Vec3): FeaturePick {
  const { start, count } = mesh.parts.find(({ id }) => id === part) ?? { start: 0, count: 0 };
  let found: FeaturePick = { part, as, point: near, normal: way };
  let least = Number.POSITIVE_INFINITY;
  for (let triangle = start / 3; triangle < (start + count) / 3; triangle++) {
    const [a, b, c] = cornersAt(mesh, triangle);
    const normal = unit(cross(sub(b, a), sub(c, a)));
    const point: Vec3 = [(a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3, (a[2] + b[2] + c[2]) / 3];
    const away = distanceBetween(point, near);
    if (!normal || dot(normal, way) < 0.9 || away >= least) continue;
    least = away;
    found = { part, as, point, normal };
  }
  return found;
}

/** Movements and views that are called. */
const MOVEMENTS: readonly QuickCall[] = [
  { kind: 'orbit', dx: -1 },
  { kind: 'orbit', dx: 1 },
  { kind: 'orbit', dy: 1 },
  { kind: 'zoom', factor: 2 },
  { kind: 'zoom', factor: 0.5 },
  { kind: 'pan', dx: 1 },
];
const VIEWS: readonly QuickCall[] = [
  ...(['front', 'right', 'rear', 'left', 'top'] as const).map((name): QuickCall => ({ kind: 'standard', name })),
  { kind: 'home' },
];

const home = (model: ScoredModel): Scene => initialScene(model.home);
const round = (degrees: number): Command => ({ kind: 'turn', axis: degrees > 0 ? 'right' : 'left', angle: Math.abs(degrees) * DEG });
const higher = (degrees: number): Command => ({ kind: 'turn', axis: degrees > 0 ? 'up' : 'down', angle: Math.abs(degrees) * DEG });
const closer = (factor: number): Command => ({ kind: 'zoom', factor });
const slid = (right: number, up: number): Command => ({ kind: 'pan', dx: right * FRAME.height, dy: -up * FRAME.height });

const reach =
  (subject: readonly string[], ...commands: readonly Command[]) =>
  (model: ScoredModel, start: Scene): Goal => ({ kind: 'matchView', target: after(model, start, ...commands), subject: [...subject] });

export function middleOfPart(mesh: Mesh, part: string): Vec3 {
  const box = boxOf(mesh, partsUnder(mesh, [part]));
  if (!box) throw new Error(`the model has no part "${part}"`);
  return middleOf(box);
}

/** A recorded way: legs of degrees round and higher, each one smooth movement. */
function recorded(model: ScoredModel, start: View, pivot: Vec3, legs: readonly { round: number; higher: number; seconds: number }[]): Goal {
  return {
    kind: 'followOrbit',
    pivot,
    path: minimumJerkPath(
      start,
      pivot,
      legs.map((leg) => ({ round: leg.round * DEG, higher: leg.higher * DEG, seconds: leg.seconds })),
      contextFor(model),
    ),
  };
}

export const COURSE: readonly Plan[] = [
  {
    title: 'Round to the ladder',
    watched: true,
    brief: 'Someone has to climb the buoy. Find the side with the ladder.',
    model: 'buoy',
    steps: [
      {
        brief: 'Swing round until you see the ladder as in the picture',
        skill: 'orbit',
        hints: ['The ladder is on the right side.', 'Grab the buoy and drag it to the left.'],
        goal: reach([], round(48), higher(6)),
      },
    ],
  },
  {
    title: 'Behind and above',
    brief: 'Look down on the buoy from behind its left shoulder.',
    model: 'buoy',
    steps: [
      {
        brief: 'Go round to the rear left, and higher',
        skill: 'orbit',
        hints: ['It is a long way round: drag twice.'],
        goal: reach([], round(-170), higher(25)),
      },
    ],
    forbidden: ['standard'],
  },
  {
    title: 'Make room',
    brief: 'The caption of this picture goes on the left. Make room for it.',
    model: 'buoy',
    steps: [
      {
        brief: 'Slide the buoy to where the picture has it',
        skill: 'pan',
        must: ['placement'],
        hints: ['Slide, do not turn: the direction is right already.'],
        goal: reach([], slid(0.44, -0.06)),
      },
    ],
  },
  {
    title: 'Up to the lantern',
    brief: 'The lantern at the top has to be looked at closely.',
    model: 'buoy',
    steps: [
      {
        brief: 'Bring the lantern as near as in the picture',
        skill: 'zoom',
        hints: ['Point at the lantern, then turn the wheel.', 'Double-click brings a point to the middle.'],
        goal: (model, start) => ({
          kind: 'matchView',
          subject: ['buoy/lantern'],
          target: after(model, start, { kind: 'centre', point: middleOfPart(model.mesh, 'buoy/lantern') }, closer(3.6)),
        }),
      },
    ],
  },
  {
    title: 'Lost at sea',
    brief: 'A jog of the hand, and the buoy is gone. Each time another way: find back in as few moves as you can.',
    model: 'buoy',
    steps: [
      {
        brief: 'Bring the whole buoy back, upright and in sight',
        skill: 'recover',
        hints: ['Do not search by hand: one key shows the whole model again, whatever happened.', 'Home brings the first view back. Fit keeps the direction.'],
        goal: () => ({ kind: 'getBack', subject: [], lost: 'any' }),
      },
    ],
  },
  {
    title: 'Call the sides',
    brief: 'The inspector calls out a side; you show it. Stand still on it, or confirm.',
    model: 'buoy',
    steps: [
      {
        brief: 'Show each side as it is called',
        skill: 'standardViews',
        hints: ['The digits go once round the dial: 1 front, 2 right, 3 rear, 4 left.'],
        goal: () => ({
          kind: 'callView',
          order: 'random',
          calls: [
            { kind: 'standard', name: 'front' },
            { kind: 'standard', name: 'right' },
            { kind: 'standard', name: 'top' },
            { kind: 'standard', name: 'rear' },
            { kind: 'opposite' },
            { kind: 'standard', name: 'top-front-left' },
          ],
        }),
      },
    ],
  },
  {
    title: 'About the bell',
    brief: 'The bell hangs on the left. Go round it, not round the buoy.',
    model: 'buoy',
    start: (model) => initialScene(after(model, home(model), round(-70)).view),
    steps: [
      {
        brief: 'Follow the line about the bell',
        skill: 'pivot',
        hints: ['Grab the bell itself: what you grab is what you turn about.'],
        about: { part: 'buoy/tower/bell', within: 0.5 },
        goal: (model, start) =>
          recorded(model, start.view, middleOfPart(model.mesh, 'buoy/tower/bell'), [
            { round: -50, higher: 12, seconds: 2.4 },
            { round: -25, higher: -14, seconds: 1.8 },
          ]),
      },
    ],
  },
  {
    title: 'Fill the frame with a panel',
    variants: { kind: 'mirrored' },
    brief: 'A picture of one lens panel for the survey: as large as the inner lines allow.',
    model: 'optic',
    steps: [
      {
        brief: 'Make the first panel fill the inner lines',
        skill: 'framing',
        hints: ['Click the panel, then fit the selection.'],
        goal: () => ({ kind: 'frameIt', subject: ['optic/panels/panel 1'], margins: { left: 0.15, right: 0.15, top: 0.12, bottom: 0.12 } }),
      },
    ],
  },
  {
    title: 'Flat as a drawing',
    brief: 'The survey sheet wants the optic without perspective, straight from the front.',
    model: 'optic',
    steps: [
      {
        brief: 'Front view, orthographic, the size of the picture',
        skill: 'projection',
        hints: ['One key switches the projection.'],
        goal: reach([], { kind: 'standard', name: 'front' }, { kind: 'projection', projection: 'orthographic' }, { kind: 'fit', what: 'all', margin: 0.1 }),
      },
    ],
  },
  {
    title: 'Through the roof',
    brief: 'The lamp stands inside. Look at it without taking anything apart.',
    model: 'optic',
    steps: [
      {
        brief: 'Hide the roof and look down on the lamp',
        skill: 'seeThrough',
        must: ['visibility'],
        hints: ['Click the dome, then hide it; the vent as well.'],
        goal: reach([], { kind: 'show', parts: ['optic/roof/dome', 'optic/roof/vent'], state: 'hidden' }, higher(32), closer(1.15)),
      },
    ],
  },
  {
    title: 'Down to the gear train',
    brief: 'The drive is closed. Cut it open at the train.',
    model: 'drive',
    steps: [
      {
        brief: 'Place the cut just before the great wheel, like the target',
        skill: 'section',
        hints: ['Point at a door and cut along it, then move the cut in.'],
        goal: () => ({ kind: 'cutToReveal', plane: { normal: [0, -1, 0], offset: 0.22 }, reveal: [] }),
      },
    ],
  },
  {
    title: 'Show the escape wheel',
    brief: 'Only one cut is needed to see the escape wheel. Where?',
    model: 'drive',
    steps: [
      {
        brief: 'Cut so that the escape wheel and the governor show',
        skill: 'section',
        hints: ['Cut along the right door, then move the cut in past the front plate.'],
        freeLook: true,
        goal: () => ({ kind: 'cutToReveal', plane: null, reveal: ['drive/train/escape wheel', 'drive/train/governor'] }),
      },
    ],
  },
  {
    title: 'Square on the lid',
    brief: 'The glass lid slopes. To read what lies under it, look at it squarely.',
    model: 'drive',
    steps: [
      {
        brief: 'Look squarely at each face as it is called',
        skill: 'squareOn',
        hints: ['Point at the face and press the key for square on.'],
        goal: (model) => ({
          kind: 'callView',
          order: 'asGiven',
          calls: [
            { kind: 'face', name: 'square on the sloped glass lid', point: middleOfPart(model.mesh, 'drive/case/lid/lid glass'), normal: [0, -0.2963, 0.9551] },
            { kind: 'face', name: 'square on the nameplate', point: middleOfPart(model.mesh, 'drive/nameplate'), normal: [0, -1, 0] },
          ],
        }),
      },
    ],
  },
  {
    title: 'Plate, then prism',
    brief: 'Eight panels look alike. The plate tells the front, the red prism which panel was repaired.',
    model: 'optic',
    start: (model) => initialScene(after(model, home(model), round(150)).view),
    steps: [
      {
        brief: 'Find the maker’s plate: straight from the front, a little above',
        skill: 'facing',
        hints: ['The plate is green, on the pedestal.'],
        goal: (model) => ({ kind: 'matchView', subject: [], target: after(model, home(model), { kind: 'standard', name: 'front' }, higher(12)) }),
      },
      {
        brief: 'Fill the frame with the repaired prism',
        skill: 'framing',
        hints: ['Click the red ring, then fit the selection.'],
        goal: () => ({ kind: 'frameIt', subject: ['optic/panels/panel 1/prism 3'], margins: { left: 0.1, right: 0.1, top: 0.1, bottom: 0.1 } }),
      },
    ],
  },
  {
    title: 'Frame the lantern room',
    brief: 'The whole room for the title page, from the gallery rail to the vane, with room to breathe.',
    model: 'lanternRoom',
    start: (model) => initialScene(after(model, home(model), closer(3), slid(0.3, 0.2), round(60)).view),
    steps: [
      {
        brief: 'Fit the whole lantern room between the inner lines',
        skill: 'framing',
        hints: ['Fit all first, then zoom a little out.'],
        goal: () => ({ kind: 'frameIt', subject: ['lantern room'], margins: { left: 0.2, right: 0.2, top: 0.1, bottom: 0.1 } }),
      },
    ],
  },
  {
    title: 'Square on the roof',
    brief: 'A roof plate was repaired. To read the rivets, look at it squarely; then at the door below.',
    model: 'lanternRoom',
    start: (model) => initialScene(after(model, home(model), round(-75)).view),
    steps: [
      {
        brief: 'Look squarely at each face as it is called',
        skill: 'squareOn',
        hints: ['The repaired plate is the brown one, over the door.'],
        goal: (model) => ({
          kind: 'callView',
          order: 'asGiven',
          calls: [
            {
              kind: 'face',
              name: 'square on the brown roof plate',
              point: middleOfPart(model.mesh, 'lantern room/roof/roof plate 1'),
              normal: [0, -0.4956, 0.86855],
            },
            { kind: 'face', name: 'square on the door', point: middleOfPart(model.mesh, 'lantern room/door/leaf'), normal: [0, -1, 0] },
          ],
        }),
      },
    ],
  },
  {
    title: 'From the tower to one bolt',
    brief: 'The name board over the door hangs by four bolts. One is said to be loose.',
    model: 'tower',
    steps: [
      {
        brief: 'Go from the whole tower to the upper right bolt of the name board',
        skill: 'zoom',
        hints: ['Point at the board and turn the wheel; the nearer you are, the smaller its steps.', 'Point at the bolt and fit it.'],
        goal: (model, start) => ({
          kind: 'matchView',
          subject: ['tower/name board/bolt 4'],
          target: after(model, start, { kind: 'select', parts: ['tower/name board/bolt 4'] }, { kind: 'fit', what: 'selection', margin: 0.3 }),
        }),
      },
    ],
  },
  {
    title: 'Out of the weight tube',
    brief: 'You went too near, and now you are inside the weight tube. Get back to the whole tower.',
    model: 'tower',
    start: (model) => standing(model, [0, 0, 4], 70),
    steps: [
      {
        brief: 'Get back to the whole tower, as in the picture',
        skill: 'recover',
        hints: ['One key fits all that is shown; another goes home.'],
        goal: (model) => ({ kind: 'matchView', target: initialScene(model.home), subject: [] }),
      },
    ],
  },
  {
    title: 'Up to the living room',
    brief: 'Walk in at the door, up the stair, and stand where the stove can be seen.',
    model: 'tower',
    start: (model) => standing(model, [-0.4, -1.9, 0], 0),
    steps: [
      {
        brief: 'Stand in the living room and look at the stove, as in the picture',
        skill: 'stand',
        hints: [
          'Press Y to stand inside, then hold the arrows.',
          'The stair goes up to the left of the door, along the wall.',
          'The living room is the second floor up.',
        ],
        goal: (model) => standHere(standing(model, [0.9, -1.75, 6], 39)),
      },
    ],
  },
  {
    title: 'Eye to the log book',
    brief: 'The keeper wrote sitting. Step inside with Y, and see the watch room from that height.',
    model: 'tower',
    start: (model) => standing(model, [0.9, -0.7, 9], 100),
    steps: [
      {
        brief: 'Turn round to the desk, and lower your eye to 1.20 m over the floor',
        skill: 'stand',
        hints: ['Press Y to stand inside.', 'The rule on the edge of the stage tells your eye’s height over the floor; type it there.'],
        goal: (model) => standHere(standing(model, [0.9, -0.7, 9], 0, 1.2)),
      },
    ],
  },
  {
    title: 'Head down in the drive',
    brief: 'First inside a part, then head down: get the whole drive back each time.',
    model: 'drive',
    steps: [
      {
        brief: 'The eye is inside a part: get out',
        skill: 'recover',
        hints: ['What fills the picture is the inside of a part. Fit takes the eye out again.'],
        goal: () => ({ kind: 'getBack', subject: [], lost: 'inside' }),
      },
      {
        brief: 'Head down: get upright',
        skill: 'recover',
        hints: ['Home is upright. Level keeps the direction.'],
        goal: () => ({ kind: 'getBack', subject: [], lost: 'upsideDown' }),
      },
    ],
  },
  {
    title: 'Hands on call',
    brief: 'The skipper calls, the hand answers, and the eye stays on the buoy. Two rounds.',
    model: 'buoy',
    steps: [
      {
        brief: 'Make each movement as it is called',
        skill: 'ownControls',
        hints: ['A short stroke is enough: only its way counts.', 'Round to the right means that your eye goes right: the model turns left.'],
        goal: () => ({
          kind: 'quickCalls',
          calls: [...MOVEMENTS],
          rounds: 2,
          seconds: null,
        }),
      },
    ],
  },
  {
    title: 'Square views by heart',
    brief: 'Six views and the way home, without looking at the keys. A call waits ten seconds.',
    model: 'optic',
    steps: [
      {
        brief: 'Go to each view as it is called',
        skill: 'standardViews',
        hints: ['One to four go round: front, right, rear, left.'],
        goal: () => ({
          kind: 'quickCalls',
          calls: [...VIEWS],
          rounds: 1,
          seconds: 10,
        }),
      },
    ],
  },
  {
    title: 'Inspect the whole buoy',
    brief: 'The paint is due. Look at the buoy from every side, the underside too, before you order any.',
    model: 'buoy',
    steps: [
      {
        brief: 'See all of it: go once round, then over and under',
        skill: 'orbit',
        hints: ['Rest a moment at each look: what rushes by is not seen.', 'From far below, looking up, the underside lies open.'],
        goal: () => ({ kind: 'seeAll', parts: [], sides: true, near: 0.5 }),
      },
    ],
  },
  {
    title: 'Crack in the turntable',
    brief: 'Somewhere on the drive a crack was heard. See all of its outside, near enough to find one.',
    model: 'drive',
    steps: [
      {
        brief: 'See all of the drive, large in the frame',
        skill: 'orbit',
        hints: ['Square views and fit go quickly: front, right, rear, left, top, bottom.'],
        goal: () => ({ kind: 'seeAll', parts: [], sides: true, near: 0.8 }),
      },
    ],
  },
  {
    title: 'A crate for the drive',
    brief: 'The drive goes to the yard by boat. The joiner needs four figures for its crate.',
    model: 'drive',
    steps: [
      {
        brief: 'Measure what the joiner asks for',
        skill: 'measuring',
        hints: [
          'Faces that look away from each other are picked from two sides: turn the drive between the picks.',
          'For a diameter pick the round surface itself.',
        ],
        goal: (model) => ({
          kind: 'measureIt',
          asks: [
            {
              id: 'width',
              name: 'the width over both sides',
              what: 'distance',
              a: spot(model, 'drive/case/left side', 'face', [-0.6, 0, 0.5], [-1, 0, 0]),
              b: spot(model, 'drive/case/right side', 'face', [0.6, 0, 0.5], [1, 0, 0]),
            },
            {
              id: 'handle',
              name: 'the thickness of the crank’s handle',
              what: 'diameter',
              a: spot(model, 'drive/crank/handle', 'hole', [0.79, 0, 0.42], [0, 0, 1]),
            },
            {
              id: 'throw',
              name: 'the throw of the crank, shaft to handle',
              what: 'spacing',
              a: spot(model, 'drive/crank/shaft', 'hole', [0.66, 0, 0.6], [0, 0, 1]),
              b: spot(model, 'drive/crank/handle', 'hole', [0.79, 0, 0.42], [0, 0, 1]),
            },
            {
              id: 'slope',
              name: 'the slope of the lid to the doors',
              what: 'angle',
              a: spot(model, 'drive/case/lid/lid frame', 'face', [0.57, 0, 0.95], [0, -0.2963, 0.9551]),
              b: spot(model, 'drive/case/doors/right door panel', 'face', [0.3, -0.36, 0.4], [0, -1, 0]),
            },
          ],
        }),
      },
    ],
  },
  {
    title: 'Rings of the optic',
    brief: 'Before the optic is lifted, its frame is checked: the clear opening, and the room between the rings.',
    model: 'optic',
    steps: [
      {
        brief: 'Measure the opening of the lower ring and how far the rings are apart',
        skill: 'measuring',
        hints: ['The inside of a ring is a hole.', 'Hide a panel, or look from beneath, to come at the ring’s inside.'],
        goal: (model) => ({
          kind: 'measureIt',
          asks: [
            {
              id: 'opening',
              name: 'the clear opening of the lower ring',
              what: 'diameter',
              a: spot(model, 'optic/frame/lower ring', 'hole', [0, 0.6, 0.61], [0, -1, 0]),
            },
            {
              id: 'room',
              name: 'the room between the rings',
              what: 'distance',
              a: spot(model, 'optic/frame/lower ring', 'face', [0, -0.63, 0.64], [0, 0, 1]),
              b: spot(model, 'optic/frame/upper ring', 'face', [0, -0.63, 1.58], [0, 0, -1]),
            },
          ],
        }),
      },
    ],
  },
  {
    title: 'Left behind by the fitter',
    brief: 'The fitter went home without a bolt, a nut and a ball of chalk. They lie somewhere on the outside of the drive.',
    model: 'drive',
    steps: [
      {
        brief: 'Find all three and pick each',
        skill: 'orbit',
        hints: ['Look behind, and beneath: a drive on feet hides things under it.', 'Small things are found from near: go round once, then closer.'],
        goal: () => ({
          kind: 'findIt',
          items: [
            {
              id: 'bolt',
              name: 'the bolt',
              of: 'object',
              object: { shape: 'cylinder', point: [0.25, 0.1, -0.03], turn: [0, Math.SQRT1_2, 0, Math.SQRT1_2], size: 0.1 },
            },
            {
              id: 'nut',
              name: 'the nut',
              of: 'object',
              object: { shape: 'ring', point: [-0.3, 0.36, 0.55], turn: [Math.SQRT1_2, 0, 0, Math.SQRT1_2], size: 0.07 },
            },
            { id: 'chalk', name: 'the chalk', of: 'object', object: { shape: 'ball', point: [-0.62, 0.1, 0.3], turn: [0, 0, 0, 1], size: 0.05 } },
          ],
        }),
      },
    ],
  },
  {
    title: 'Name the wheels',
    brief: 'The apprentice is asked: which is which in the drive? Open the case as you like, it closes by itself.',
    model: 'drive',
    steps: [
      {
        brief: 'Find each by its name and pick it',
        skill: 'seeThrough',
        hints: [
          'Pick a door and hide it, or make the case glass.',
          'The great wheel is the largest; the escape wheel sits low on the right.',
          'The governor’s balls fly outwards, under the lid.',
        ],
        goal: () => ({
          kind: 'findIt',
          items: [
            { id: 'great', name: 'the great wheel', of: 'part', part: 'drive/train/great wheel' },
            { id: 'escape', name: 'the escape wheel', of: 'part', part: 'drive/train/escape wheel' },
            { id: 'governor', name: 'the governor', of: 'part', part: 'drive/train/governor' },
          ],
        }),
      },
    ],
  },
  {
    title: 'Which side is on the photograph',
    brief: 'The surveyor sent photographs of the drive and no notes. Tell from which side each was taken.',
    model: 'drive',
    steps: [
      {
        brief: 'Look for what only one side has, then point at the ring',
        skill: 'facing',
        hints: [
          'Find the motor first: know on which side of it you stand.',
          'A mirror picture has the same outline: tell left from right by what lies nearer.',
        ],
        goal: (model) => ({ kind: 'whichWay', questions: seenFrom(model, [35, 20], [-145, 20], [-60, 10], [120, 15]), ask: 'side' }),
      },
    ],
  },
  {
    title: 'Through the spy-glass',
    brief: 'From the boat you see the tower through the glass, from the cliff you look down on it. Say from where.',
    model: 'tower',
    steps: [
      {
        brief: 'Answer side and height of each view',
        skill: 'facing',
        hints: ['The door tells the side.', 'How much of the gallery floor you see tells how high the eye is.'],
        goal: (model) => ({ kind: 'whichWay', questions: seenFrom(model, [20, 0], [-100, 30], [150, 55]), ask: 'side and height' }),
      },
    ],
  },
];

/** A floor is looked for this far over and under a place, metres. */
const NEAR_FLOOR = 1;

/** A place brought down, or up, to the floor that is there; where there is none near, as it is. */
function onFloor({ mesh }: ScoredModel, [x, y, z]: Vec3): Vec3 {
  const floor = floorBeneath(mesh, [x, y, z + NEAR_FLOOR]);
  return floor !== null && Math.abs(floor - z) < NEAR_FLOOR ? [x, y, floor] : [x, y, z];
}

/** To stand where the eye of a scene is, with a level gaze. */
const standHere = ({ view }: Scene): Goal => ({ kind: 'standHere', eye: eyeOf(view), orientation: view.orientation, fovY: view.fovY, level: true });

/** Standing on the floor at a place, the eye this high over it, metres. `turned`: degrees that the gaze is turned to the left from straight ahead as one comes in at the front. */
function standing(model: ScoredModel, place: Vec3, turned: number, height?: number): Scene {
  const context = contextFor(model);
  const commands = [{ kind: 'standard', name: 'front' } as const, { kind: 'turn', axis: 'right', angle: turned * DEG } as const];
  const turnedHome = commands.reduce((scene, command) => apply(scene, command, context), home(model));
  return initialScene(
    commandsToStand(turnedHome.view, onFloor(model, place), height).reduce((scene, command) => apply(scene, command, context), turnedHome).view,
  );
}

/** Who shows how it is done: unhurried, and right at once. */
const SHOWING = { noise: 0.01, reaction: 0.4, corrections: 1, slips: 0 };

/** The exercise of a plan on its model. */
export function draftOf(plan: Plan, model: ScoredModel, ref: { id: string; revision: number }): Exercise {
  const start = plan.start?.(model) ?? home(model);
  const draft: Exercise = {
    title: plan.title,
    brief: plan.brief,
    model: ref,
    start,
    ...(plan.variants ? { variants: plan.variants } : {}),
    steps: plan.steps.map((step, i) => {
      const goal = step.goal(model, start);
      const { about } = step;
      const criteria: Criterion[] = defaultCriteria(goal).map((c) => (step.must?.includes(c.id) ? { ...c, must: true } : c));
      if (about) criteria.push({ id: 'pivotMissed', ...CRITERIA.pivotMissed.tolerance, weight: 1 });
      const method = about && { pivot: { point: middleOfPart(model.mesh, about.part), within: about.within } };
      return {
        id: `step-${i + 1}`,
        brief: step.brief,
        skill: step.skill,
        otherSkills: [],
        hints: [...step.hints],
        goal,
        criteria,
        ...(method ? { method } : {}),
        ...(step.freeLook ? { freeLook: true } : {}),
      };
    }),
    allowed: (['orbit', 'panZoom', 'recover', 'standard', 'projection', 'section', 'show', 'walk'] as const).filter(
      (id) => !plan.forbidden?.includes(id) && (id !== 'walk' || HOUSES.includes(plan.model)),
    ),
    schemes: [],
    liveHelp: true,
    showTarget: true,
  };
  if (!plan.watched) return draft;
  const { moves } = simulateAttempt({ ...draft, id: 'shown', version: 1 }, model, TWO_BUTTON_MOUSE, SHOWING, 1);
  const watch = recordingOf(start, moves) ?? undefined;
  return { ...draft, steps: draft.steps.map((step, i) => (i === 0 ? { ...step, watch } : step)) };
}
