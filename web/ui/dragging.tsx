import { KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { sortableKeyboardCoordinates, useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';

/** Whether one asked for less motion: then nothing slides into its place. */
const movesLittle = (): boolean => typeof window !== 'undefined' && window.matchMedia('(prefers-reduced-motion: reduce)').matches;

/** A drag begins after so many pixels: before that it is a click. */
const DRAG_FROM = 5;

/** Drags by pointer or finger, and by space and the arrows. */
export const useDragSensors = () =>
  useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );

/** What is sorted by its grip; `words`: what is moved. */
export function useGrip(id: string, words: string) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id, ...(movesLittle() ? { transition: null } : {}) });
  return {
    setNodeRef,
    style: { transform: CSS.Translate.toString(transform), transition },
    isDragging,
    grip: (
      <button
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`Move ${words}: space, then the arrows`}
        className="cursor-grab touch-none rounded p-1 text-ink-soft hover:bg-bar"
      >
        <GripVertical size={16} aria-hidden="true" />
      </button>
    ),
  };
}
