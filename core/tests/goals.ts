import type { Goal, GoalKindId } from '../goals';
import { EMPTY_HISTORY, initialScene, type Scene } from '../navigation';
import { minimumJerkPath } from '../simulation';
import { FRAME, orientationFrom, type View } from '../view';
import { crate } from './practice';

/** Goals of every kind on the crate, for tests that hold for all of them. */
const look = (azimuth: number, elevation: number, roll = 0): View => ({
  ...crate.home,
  orientation: orientationFrom({ azimuth, elevation, roll }),
  distance: crate.home.distance * 0.8,
});
const target = (view: View, extra: Partial<Scene> = {}): Scene => ({ ...initialScene(view), history: EMPTY_HISTORY, ...extra });

export const GOALS: { readonly [K in GoalKindId]: readonly Extract<Goal, { kind: K }>[] } = {
  matchView: [
    { kind: 'matchView', target: target(look(-0.6, 0.35)), subject: [] },
    { kind: 'matchView', target: target(look(0.5, 0.5)), subject: ['knob'] },
    { kind: 'matchView', target: target(look(1.2, -0.4), { visibility: { lid: 'hidden', knob: 'glass' } }), subject: [] },
    { kind: 'matchView', target: target(look(-2, 0.2), { section: { normal: [0, 0.6, 0.8], offset: 0.5 } }), subject: [] },
    { kind: 'matchView', target: target(look(1, 1.5, 0.2)), subject: [] },
    { kind: 'matchView', target: target({ ...look(0.4, 0.6), projection: 'orthographic' }), subject: ['crate', 'lid'] },
  ],
  callView: [
    {
      kind: 'callView',
      order: 'random',
      calls: [
        { kind: 'standard', name: 'rear' },
        { kind: 'opposite' },
        { kind: 'standard', name: 'top' },
        { kind: 'face', name: 'the left side', point: [-1, 0, 0.5], normal: [-1, 0, 0] },
      ],
    },
  ],
  followOrbit: [
    {
      kind: 'followOrbit',
      pivot: [0, 0, 0.5],
      path: minimumJerkPath(look(-0.3, 0.3), [0, 0, 0.5], [{ round: 1.6, higher: 0.3, seconds: 3 }], { frame: FRAME }),
    },
  ],
  frameIt: [
    { kind: 'frameIt', subject: [], margins: { left: 0.3, right: 0.25, top: 0.3, bottom: 0.2 } },
    { kind: 'frameIt', subject: ['knob'], margins: { left: 0.3, right: 0.1, top: 0.1, bottom: 0.2 } },
    { kind: 'frameIt', subject: ['lid'], margins: { left: 0.05, right: 0.2, top: 0.3, bottom: 0.1 } },
  ],
  standHere: [
    { kind: 'standHere', eye: [0.4, -3, 1.5], orientation: orientationFrom({ azimuth: 0.3, elevation: 0, roll: 0 }), fovY: 1.05, level: true },
    { kind: 'standHere', eye: [2.6, -2.2, 1.2], orientation: orientationFrom({ azimuth: 0.9, elevation: 0.2, roll: 0 }), fovY: 0.8, level: false },
    { kind: 'standHere', eye: [-2.5, 2, 0.7], orientation: orientationFrom({ azimuth: -2.4, elevation: -0.1, roll: 0 }), fovY: 1.05, level: false },
  ],
  getBack: (['inside', 'beyond', 'beneath', 'tiny', 'upsideDown', 'any'] as const).map((lost, i) => ({ kind: 'getBack', subject: i % 2 ? ['lid'] : [], lost })),
  quickCalls: [
    {
      kind: 'quickCalls',
      calls: [
        { kind: 'orbit', dx: -1 },
        { kind: 'zoom', factor: 2 },
        { kind: 'standard', name: 'top' },
        { kind: 'fit', what: 'all' },
      ],
      rounds: 2,
      seconds: null,
    },
  ],
  seeAll: [
    { kind: 'seeAll', parts: [], sides: true, near: 0.4 },
    { kind: 'seeAll', parts: ['lid'], sides: false, near: 0 },
  ],
  whichWay: [
    { kind: 'whichWay', questions: [look(0.6, 0.3), look(-0.9, 0.2), look(2.4, 0.5)], ask: 'side' },
    { kind: 'whichWay', questions: [look(0.4, -0.6), look(1.9, 1.2)], ask: 'side and height' },
  ],
  findIt: [
    {
      kind: 'findIt',
      items: [
        { id: 'a', name: 'the knob', of: 'part', part: 'knob' },
        { id: 'b', name: 'a ball', of: 'object', object: { shape: 'ball', point: [0.4, 0.7, 0.4], turn: [0, 0, 0, 1], size: 0.2 } },
      ],
    },
    { kind: 'findIt', items: [{ id: 'c', name: 'a cube', of: 'object', object: { shape: 'cube', point: [0.3, 0.2, -0.1], turn: [0, 0, 0, 1], size: 0.2 } }] },
  ],
  measureIt: [
    {
      kind: 'measureIt',
      asks: [
        {
          id: 'long',
          name: 'the length of the crate',
          what: 'distance',
          a: { part: 'crate', point: [-1, 0, 0.5], normal: [-1, 0, 0], as: 'face' },
          b: { part: 'crate', point: [1, 0, 0.5], normal: [1, 0, 0], as: 'face' },
        },
        {
          id: 'lean',
          name: 'the corner',
          what: 'angle',
          a: { part: 'crate', point: [0.5, -0.6, 0.4], normal: [0, -1, 0], as: 'face' },
          b: { part: 'lid', point: [0, 0, 1.15], normal: [0, 0, 1], as: 'face' },
        },
      ],
    },
  ],
  cutToReveal: [
    { kind: 'cutToReveal', plane: { normal: [0, 0, 1], offset: 0.5 }, reveal: [] },
    { kind: 'cutToReveal', plane: { normal: [0.48, 0.36, 0.8], offset: 0.5 }, reveal: ['knob'] },
    { kind: 'cutToReveal', plane: null, reveal: ['crate'] },
    { kind: 'cutToReveal', plane: { normal: [-1, 0, 0], offset: 0.3 }, reveal: [] },
  ],
};
