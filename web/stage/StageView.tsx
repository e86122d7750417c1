import { subjectOf } from '@core/model';
import { byInterface } from '@core/trace';
import type { LandmarkSeen } from '@server/services/landmarks';
import { Bookmark, ListTree } from 'lucide-react';
import { lazy, type ReactNode, Suspense, useState } from 'react';
import { useStore } from 'zustand';
import type { Aids } from './aids';
import { LoupeMark, PivotMark, RectangleMark } from './marks/marks';
import { PaneFrames } from './marks/PaneFrames';
import type { MeasuredListener } from './measuring/measuring';
import { AidsMenu } from './panels/AidsMenu';
import { CutMenu } from './panels/CutMenu';
import { LostNote } from './panels/LostNote';
import { panesOf } from './panes';
import type { Recorder } from './recorder';
import { StageFrame } from './StageFrame';
import type { ToldFigure } from './tellView';
import { type Stage, useCommand } from './useStage';

export interface SavedViewsOf {
  readonly modelId: string;
  readonly forAll: boolean;
}

interface Props {
  readonly stage: Stage;
  readonly label: string;
  /** Where it stands in the page. */
  readonly className?: string;
  /** Whether fit and home may be used: then the stage shows the way back when nothing is in view. */
  readonly recover?: boolean;
  /** Drawn over the free view. */
  readonly overlay?: ReactNode;
  /** The model whose saved views are offered, and whether one may keep views for everybody. */
  readonly views?: SavedViewsOf;
  /** Named places of the model. */
  readonly landmarks?: readonly LandmarkSeen[];
  /** Figures beside the stage that are told in words with what is seen. */
  readonly figures?: readonly ToldFigure[] | undefined;
  /** Hears of what is measured. */
  readonly onMeasured?: MeasuredListener | undefined;
  /** Drawn over all of the stage. */
  readonly children?: ReactNode;
}

/** The stage with everything that belongs on it: marks that follow the hand, aids for the eye, parts, and the way back. */
export function StageView({ stage, label, className = '', recover = true, overlay, views, landmarks = NONE, figures, onMeasured, children }: Props) {
  const [place, setPlace] = useState<HTMLElement | null>(null);
  const { canvas, session, aids, sides, handle, prepared } = stage;
  return (
    <StageFrame canvas={canvas} label={label} className={className}>
      {session && aids && sides && handle && prepared && (
        <>
          <FreeView stage={stage} session={session} aids={aids} landmarks={landmarks} measured={{ place, onMeasured }}>
            {overlay}
          </FreeView>
          <PaneFrames aids={aids} sides={sides} session={session} />
          <OverAll stage={stage} session={session} aids={aids} recover={recover} views={views} landmarks={landmarks} figures={figures} />
        </>
      )}
      <div ref={setPlace} />
      {children}
    </StageFrame>
  );
}

interface Within {
  readonly stage: Stage;
  readonly session: Recorder;
  readonly aids: Aids;
  readonly landmarks: readonly LandmarkSeen[];
}

/** Loaded when they are first wanted. */
const NearHand = lazy(async () => ({ default: (await import('./devices/NearHand')).NearHand }));
const GridMarks = lazy(async () => ({ default: (await import('./marks/GridMarks')).GridMarks }));
const EyeRule = lazy(async () => ({ default: (await import('./marks/EyeRule')).EyeRule }));
const Nameplates = lazy(async () => ({ default: (await import('./marks/Nameplates')).Nameplates }));
const SectionArrow = lazy(async () => ({ default: (await import('./marks/SectionArrow')).SectionArrow }));
const SectionPanel = lazy(async () => ({ default: (await import('./panels/SectionPanel')).SectionPanel }));
const StandingBar = lazy(async () => ({ default: (await import('./panels/StandingBar')).StandingBar }));
const MeasureTool = lazy(async () => ({ default: (await import('./measuring/MeasureTool')).MeasureTool }));
const PartsPanel = lazy(async () => ({ default: (await import('./panels/PartsPanel')).PartsPanel }));
const ViewsPanel = lazy(async () => ({ default: (await import('./panels/ViewsPanel')).ViewsPanel }));

const NONE: readonly LandmarkSeen[] = [];

function FreeView({
  stage,
  session,
  aids,
  landmarks,
  measured,
  children,
}: Within & {
  readonly measured: { readonly place: HTMLElement | null; readonly onMeasured: MeasuredListener | undefined };
  readonly children: ReactNode;
}) {
  const { drawn, prepared, handle, rectangle, pivot, pointer, nearHand, controls, scheme } = stage;
  const { grid, names, landmarks: marked, loupe, fourViews, maximised, standing, measuring } = useStore(aids);
  const scene = useStore(session, (s) => s.scene);
  const free = panesOf(fourViews, maximised).find((pane) => pane.name === 'free');
  const shareOf = (pane: { x: number; y: number; size: number }) => ({
    left: `${pane.x * 100}%`,
    top: `${pane.y * 100}%`,
    width: `${pane.size * 100}%`,
    height: `${pane.size * 100}%`,
  });
  return (
    <>
      {free && drawn && prepared && handle && (
        <div className="pointer-events-none absolute overflow-hidden" style={shareOf(free)}>
          {children}
          <Suspense>
            {scene.section && <SectionArrow session={session} view={drawn} mesh={prepared.mesh} />}
            {measuring && (
              <MeasureTool
                session={session}
                prepared={prepared}
                probes={handle.probes}
                aids={aids}
                view={drawn}
                panel={measured.place}
                landmarks={landmarks}
                onMeasured={measured.onMeasured}
              />
            )}
            {grid && <GridMarks grid={grid} mesh={prepared.mesh} view={drawn} />}
            {(names || marked) && !loupe && (
              <Nameplates mesh={prepared.mesh} scene={scene} cast={handle.probes.cast} names={names} landmarks={marked ? landmarks : NONE} />
            )}
            {nearHand && controls && (
              <div className="pointer-events-auto">
                <NearHand at={nearHand} scheme={scheme} controls={controls} />
              </div>
            )}
          </Suspense>
          {pivot && <PivotMark point={pivot} view={drawn} />}
          {loupe && pointer && <LoupeMark at={pointer} />}
        </div>
      )}
      {rectangle && (
        <div className="pointer-events-none absolute" style={shareOf(rectangle.pane)}>
          <RectangleMark rectangle={rectangle} />
        </div>
      )}
      <Suspense>{standing && handle && !fourViews && <EyeRule session={session} scene={scene} probes={handle.probes} />}</Suspense>
    </>
  );
}

function OverAll({ stage, session, aids, landmarks, recover, views, figures = [] }: Within & Pick<Props, 'views' | 'figures'> & { readonly recover: boolean }) {
  const onCommand = useCommand(stage, 'panel');
  const [panel, setPanel] = useState<'parts' | 'views' | null>(null);
  const { prepared, handle, scheme, caps } = stage;
  const { standing, fourViews } = useStore(aids);
  const scene = useStore(session, (s) => s.scene);
  const still = useStore(session, (s) => s.still !== null);
  if (!prepared || !handle || still) return null;
  const tell = async (): Promise<void> => {
    const { tellView } = await import('./tellView');
    session.say(tellView(scene, prepared, standing, figures));
  };
  return (
    <>
      <div className="absolute top-2 left-2 flex gap-1.5">
        <button type="button" className="stage-button" title="All parts by name: pick, hide and show them" onClick={() => setPanel('parts')}>
          <ListTree size={15} aria-hidden="true" /> Parts
        </button>
        {views && (
          <button type="button" className="stage-button" title="Keep this view under a name, or go back to one" onClick={() => setPanel('views')}>
            <Bookmark size={15} aria-hidden="true" /> Views
          </button>
        )}
        {!scene.section && !standing && <CutMenu scene={scene} mesh={prepared.mesh} scheme={scheme} onCommand={onCommand} />}
        <AidsMenu aids={aids} scheme={scheme} onTell={() => void tell()} />
        <Suspense>{standing && <StandingBar aids={aids} scheme={scheme} />}</Suspense>
      </div>
      <Suspense>
        {panel === 'parts' && (
          <PartsPanel parts={prepared.mesh.parts} landmarks={landmarks} scene={scene} scheme={scheme} onCommand={onCommand} onClose={() => setPanel(null)} />
        )}
        {panel === 'views' && views && (
          <ViewsPanel
            modelId={views.modelId}
            forAll={views.forAll}
            scene={scene}
            onRecall={(commands, name) => session.perform(commands, byInterface(session.newGesture(), 'saved view'), { name })}
            onClose={() => setPanel(null)}
          />
        )}
      </Suspense>
      {scene.section && (
        <div className={`absolute bottom-2 ${standing ? 'right-28' : 'right-2'}`}>
          <Suspense>
            <SectionPanel scene={scene} mesh={prepared.mesh} caps={caps} scheme={scheme} onCommand={onCommand} />
          </Suspense>
        </div>
      )}
      {recover && !fourViews && <LostNote scene={scene} hull={subjectOf(prepared.mesh, [])} pick={handle.probes.pick} scheme={scheme} onCommand={onCommand} />}
    </>
  );
}
