import type { Command, CommandKind } from '../navigation';
import { viewWords } from '../view';
import type { Action, Aid, Binding } from './schemeSchema';

const degrees = (angle: number): string => `${Math.round((angle * 180) / Math.PI)}°`;

/** What a command does, in the words of the scheme card and the wake. */
export function commandWords(command: Command): string {
  switch (command.kind) {
    case 'turn':
      return command.axis === 'up' || command.axis === 'down'
        ? `Go ${command.axis === 'up' ? 'higher' : 'lower'} by ${degrees(command.angle)}`
        : `Go round to the ${command.axis} by ${degrees(command.angle)}`;
    case 'roll':
      return `Roll ${degrees(Math.abs(command.angle))} ${command.angle > 0 ? 'anticlockwise' : 'clockwise'}`;
    case 'pan':
      return command.dx !== 0 ? `Slide the eye ${command.dx > 0 ? 'left' : 'right'}` : `Slide the eye ${command.dy > 0 ? 'up' : 'down'}`;
    case 'zoom':
      if (command.factor > 0.9 && command.factor < 1.1) return command.factor > 1 ? 'A little closer' : 'A little farther';
      return command.factor > 1 ? 'Closer' : 'Farther';
    case 'standard':
      return command.name.split('-').length === 3 ? `Isometric, ${viewWords(command.name)}` : `Look from the ${viewWords(command.name)}`;
    case 'level':
      return command.verticals ? 'Level, verticals upright' : 'Level: no roll';
    case 'fit':
      return command.what === 'all' ? 'Fit all' : 'Fit the selection';
    case 'section':
      return command.plane ? 'Cut' : 'Take the cut away';
    case 'dolly':
      return command.metres > 0 ? 'Move the eye forward' : 'Move the eye back';
    case 'rise':
      return command.metres > 0 ? 'Raise the eye' : 'Lower the eye';
    case 'walk':
      return command.forward >= 0 ? 'Walk forward' : 'Walk back';
    case 'look':
      return command.yaw !== 0 ? `Look to the ${command.yaw > 0 ? 'left' : 'right'}` : `Look ${command.pitch > 0 ? 'up' : 'down'}`;
    case 'fieldOfView':
      return command.angle < 1 ? 'Weaker perspective' : 'Stronger perspective';
    case 'shiftSection':
      return command.metres > 0 ? 'Move the cut out' : 'Move the cut in';
    default:
      return PLAIN[command.kind] ?? command.kind;
  }
}

const PLAIN: Partial<Record<Command['kind'], string>> = {
  orbit: 'Orbit',
  opposite: 'The opposite of this',
  home: 'Home',
  snap: 'Nearest standard view',
  back: 'Back a view',
  forward: 'Forward a view',
  reset: 'Start again',
  flipSection: 'Flip the cut',
  showAll: 'Show everything',
  centre: 'Bring to the middle',
  lookAt: 'Look at',
  normalTo: 'Square on',
  zoomRegion: 'Zoom to a rectangle',
  projection: 'Projection',
  select: 'Pick a part',
  show: 'Hide or show',
  isolate: 'Isolate',
  style: 'Drawing style',
};

const MOVES: Record<Extract<Action, { kind: 'move' }>['does'], string> = {
  orbit: 'Orbit',
  pan: 'Pan: slide the view',
  zoom: 'Zoom',
  roll: 'Roll',
  look: 'Look about',
  zoomRegion: 'Zoom into a rectangle; drawn leftwards, out of it',
  boxTouching: 'Pick what a box touches',
  boxInside: 'Pick what lies wholly inside a box',
  fingers: 'Pan, zoom and roll with the fingers',
  sixAxes: 'Orbit, pan, zoom and roll at once',
};

const AT_POINTER: Record<Extract<Action, { kind: 'atPointer' }>['does'], string> = {
  select: 'Pick a part',
  selectMore: 'Pick a part as well, or drop it',
  centre: 'Bring the point to the middle',
  lookAt: 'Look at the point',
  approach: 'Go half the way to the point',
  normalTo: 'Square on to the face',
  section: 'Cut along the face',
  stand: 'Stand on the point',
};

const STEADY: Record<Extract<Action, { kind: 'steady' }>['does'], readonly [ahead: string, back: string]> = {
  zoom: ['Closer, steadily', 'Farther, steadily'],
  forward: ['Walk forward', 'Walk back'],
  slide: ['Slide right', 'Slide left'],
  rise: ['Rise', 'Sink'],
  turn: ['Look round to the right', 'Look round to the left'],
};

/** What helps the eye, in words. */
export const AID_WORDS: Record<Aid, string> = {
  grid: 'Grid on the ground or on the picked face',
  names: 'Nameplates',
  landmarks: 'Landmarks',
  loupe: 'Loupe at the pointer',
  fourViews: 'Four views, or one',
  panels: 'Fold the panels away',
  standing: 'Stand inside, or step out',
  measuring: 'Measure',
  floor: 'Walk on the floor, or fly',
  walls: 'Solid walls, or none',
  speed: 'Walking speed',
};

const SELECTION: Record<Extract<Action, { kind: 'selection' }>['does'], string> = {
  hide: 'Hide what is picked',
  glass: 'Make what is picked glass',
  isolate: 'Isolate what is picked',
};

/** What a binding does, for the scheme card. */
export const actionWords = (binding: Pick<Binding, 'command'>): string => wordsOfAction(binding.command);

/** What an action does, in words. */
export function wordsOfAction(command: Action): string {
  if (command.kind === 'move') return MOVES[command.does];
  if (command.kind === 'atPointer') return AT_POINTER[command.does];
  if (command.kind === 'selection') return SELECTION[command.does];
  if (command.kind === 'steady') return STEADY[command.does][command.way === 1 ? 0 : 1];
  if (command.kind === 'aid') return AID_WORDS[command.does];
  if (command.kind === 'toggle') return command.does === 'projection' ? 'Perspective or orthographic' : 'Next drawing style';
  return commandWords(command.command);
}

/** A kind of command in a word or two, as the wake and the card name it. */
export const KIND_WORDS = {
  orbit: 'orbit',
  turn: 'turn',
  roll: 'roll',
  pan: 'pan',
  zoom: 'zoom',
  dolly: 'move',
  walk: 'walk',
  rise: 'rise',
  look: 'look',
  standard: 'view',
  opposite: 'opposite',
  home: 'home',
  fit: 'fit',
  zoomRegion: 'rectangle',
  normalTo: 'square on',
  lookAt: 'look at',
  centre: 'middle',
  projection: 'projection',
  fieldOfView: 'perspective',
  level: 'level',
  snap: 'nearest',
  reset: 'start',
  back: 'back',
  forward: 'forward',
  cancel: 'taken back',
  section: 'cut',
  shiftSection: 'cut',
  flipSection: 'cut',
  select: 'pick',
  show: 'show',
  isolate: 'isolate',
  showAll: 'show all',
  style: 'style',
} as const satisfies Record<CommandKind, string>;

/** What a habit was for, as it is kept: by the name of its command, or in words already. */
export const wantedWords = (wanted: string): string => (Object.hasOwn(KIND_WORDS, wanted) ? KIND_WORDS[wanted as CommandKind] : wanted);
