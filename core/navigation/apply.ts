import { scale } from '../math';
import { fit, nearlySameView, type View } from '../view';
import type { Command } from './command';
import type { Context } from './context';
import { DEFAULT_MARGIN, navigate } from './navigate';
import { initialScene, type PartLink, type Scene } from './scene';

/** Ids of the parts that must stay visible so that `parts` can be seen: they, what is above them and what is below. */
function kept(parts: readonly string[], all: readonly PartLink[]): Set<string> {
  const byId = new Map(all.map((part) => [part.id, part]));
  const wanted = new Set(parts);
  const keep = new Set<string>();
  for (const part of all) {
    const chain: string[] = [];
    let at: PartLink | undefined = part;
    while (at && chain.length <= all.length) {
      chain.push(at.id);
      if (wanted.has(at.id)) {
        for (const id of chain) keep.add(id);
        break;
      }
      at = at.parent === null ? undefined : byId.get(at.parent);
    }
  }
  for (const id of wanted) {
    let at = byId.get(id)?.parent ?? null;
    for (let steps = 0; at !== null && steps <= all.length; steps++) {
      keep.add(at);
      at = byId.get(at)?.parent ?? null;
    }
  }
  return keep;
}

function isolate(scene: Scene, parts: readonly string[], all: readonly PartLink[]): Scene {
  const keep = kept(parts, all);
  const visibility: Scene['visibility'] = {};
  for (const part of all) if (!keep.has(part.id)) visibility[part.id] = 'hidden';
  return { ...scene, visibility };
}

function withState(scene: Scene, parts: readonly string[], state: 'shown' | 'hidden' | 'glass'): Scene {
  const visibility = { ...scene.visibility };
  for (const id of parts) {
    if (state === 'shown') delete visibility[id];
    else visibility[id] = state;
  }
  return { ...scene, visibility };
}

/** A view change beyond rounding becomes a history entry; the commands of one gesture share one. */
function moved(scene: Scene, view: View, gesture: number | undefined): Scene {
  if (nearlySameView(scene.view, view)) return scene;
  const { history } = scene;
  if (gesture !== undefined && history.gesture === gesture) return { ...scene, view };
  return {
    ...scene,
    view,
    history: { past: [...history.past, scene.view], future: [], gesture: gesture ?? null, stash: gesture === undefined ? [] : history.future },
  };
}

function cancelled(scene: Scene, gesture: number | undefined): Scene {
  const { history } = scene;
  const before = history.past.at(-1);
  if (gesture === undefined || history.gesture !== gesture || !before) return scene;
  return { ...scene, view: before, history: { past: history.past.slice(0, -1), future: history.stash, gesture: null, stash: [] } };
}

function stepped(scene: Scene, way: 'back' | 'forward'): Scene {
  const { past, future } = scene.history;
  const view = way === 'back' ? past.at(-1) : future[0];
  if (!view) return scene;
  const history =
    way === 'back'
      ? { past: past.slice(0, -1), future: [scene.view, ...future], gesture: null, stash: [] }
      : { past: [...past, scene.view], future: future.slice(1), gesture: null, stash: [] };
  return { ...scene, view, history };
}

/** One command on the whole scene. `navigate` is its camera part; this adds cut, visibility, style, selection and history. */
export function apply(scene: Scene, command: Command, context: Context): Scene {
  switch (command.kind) {
    case 'section':
      return { ...scene, section: command.plane };
    case 'shiftSection':
      return scene.section ? { ...scene, section: { ...scene.section, offset: scene.section.offset + command.metres } } : scene;
    case 'flipSection':
      return scene.section ? { ...scene, section: { normal: scale(scene.section.normal, -1), offset: -scene.section.offset } } : scene;
    case 'show':
      return withState(scene, command.parts, command.state);
    case 'isolate':
      return context.parts ? isolate(scene, command.parts, context.parts) : withState(scene, command.parts, 'shown');
    case 'showAll':
      return { ...scene, visibility: {} };
    case 'style':
      return { ...scene, style: command.style };
    case 'select': {
      const { kind: _, ...selection } = command;
      return { ...scene, selection };
    }
    case 'back':
    case 'forward':
      return stepped(scene, command.kind);
    case 'cancel':
      return cancelled(scene, context.gesture);
    case 'fit': {
      const points = context.points?.(command.what, scene) ?? [];
      const aspect = context.frame.width / context.frame.height;
      return moved(scene, fit(scene.view, points, aspect, command.margin ?? DEFAULT_MARGIN), context.gesture);
    }
    case 'reset': {
      const start = context.start ?? initialScene(navigate(scene.view, command, context));
      return {
        ...moved(scene, start.view, context.gesture),
        section: start.section,
        visibility: start.visibility,
        style: start.style,
        selection: start.selection,
      };
    }
    default:
      return moved(scene, navigate(scene.view, command, context), context.gesture);
  }
}
