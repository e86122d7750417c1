import {
  cloneElement,
  type FocusEvent,
  lazy,
  type PointerEvent,
  type ReactElement,
  Suspense,
  type SyntheticEvent,
  useEffect,
  useId,
  useRef,
  useState,
} from 'react';

export interface TipWords {
  readonly words: string;
  /** The gesture that does the same, if there is one. */
  readonly shortcut: string | null;
}

interface Child {
  readonly onPointerEnter?: (event: PointerEvent) => void;
  readonly onPointerLeave?: (event: PointerEvent) => void;
  readonly onPointerDown?: (event: PointerEvent) => void;
  readonly onFocus?: (event: FocusEvent) => void;
  readonly onBlur?: (event: FocusEvent) => void;
  readonly 'aria-describedby'?: string | undefined;
}

interface Props extends TipWords {
  readonly children: ReactElement<Child>;
}

const DELAY_MS = 350;
/** Loaded with the first tip that is wanted. */
export const loadTips = () => import('./TipShown');
const TipShown = lazy(async () => {
  try {
    return { default: (await loadTips()).TipShown };
  } catch {
    // Without a tip all can still be pressed.
    return { default: () => null };
  }
});

/** What a tool does and its shortcut, while it is hovered or has the focus. */
export function Tip({ words, shortcut, children }: Props) {
  const [over, setOver] = useState<Element | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  /** Whether a pointer brings the focus: who presses knows what. */
  const pressing = useRef(false);
  const id = useId();
  const own = children.props;
  const show = (element: Element, delay: number): void => {
    clearTimeout(timer.current);
    timer.current = setTimeout(() => setOver(element), delay);
  };
  const onFocus = (element: Element): void => {
    if (!pressing.current) show(element, 0);
    pressing.current = false;
  };
  const onPress = (): void => {
    pressing.current = true;
    hide();
  };
  const hide = (): void => {
    clearTimeout(timer.current);
    setOver(null);
  };
  useEffect(() => () => clearTimeout(timer.current), []);
  /** The child's own listener first, then the tip's. */
  const both =
    <E extends SyntheticEvent>(first: ((event: E) => void) | undefined, then: (event: E) => void) =>
    (event: E): void => {
      first?.(event);
      then(event);
    };
  return (
    <>
      {cloneElement(children, {
        onPointerEnter: both(own.onPointerEnter, ({ currentTarget }) => show(currentTarget, DELAY_MS)),
        onPointerLeave: both(own.onPointerLeave, () => {
          pressing.current = false;
          hide();
        }),
        onPointerDown: both(own.onPointerDown, onPress),
        onFocus: both(own.onFocus, ({ currentTarget }) => onFocus(currentTarget)),
        onBlur: both(own.onBlur, hide),
        'aria-describedby': over ? id : own['aria-describedby'],
      })}
      {over && (
        <Suspense>
          <TipShown id={id} over={over} words={words} shortcut={shortcut} onClose={hide} />
        </Suspense>
      )}
    </>
  );
}
