import { initialScene, type Scene } from '@core/navigation';

/** The scene as a target keeps it: without history and without what is picked. */
export const asTarget = (scene: Scene): Scene => ({ ...initialScene(scene.view), section: scene.section, visibility: scene.visibility, style: scene.style });
