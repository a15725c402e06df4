import { useDraggable } from '@dnd-kit/core';
import { GripVertical } from 'lucide-react';
import { May } from '../../../parts/May';
import type { DraggedVisit } from './useMoveToDay';

interface HandleProps {
  /** Of what it holds, one of a kind on the screen. */
  readonly id: string;
  readonly visit: DraggedVisit;
}

/** Where a visit is taken hold of to be put on another day, by whoever may book. */
export const Handle = (props: HandleProps) => (
  <May deed="book">
    <Grip {...props} />
  </May>
);

/** By mouse, finger or keyboard. */
function Grip({ id, visit }: HandleProps) {
  const { attributes, listeners, setNodeRef, isDragging } = useDraggable({ id, data: { ...visit } });
  return (
    <button
      type="button"
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      aria-label={`Take ${visit.name} to a day`}
      className={`max-md:hidden shrink-0 grid place-items-center w-8 min-h-11 rounded-lg text-soft cursor-grab touch-none hover:bg-pond-pale focus-visible:outline-2 outline-pond ${isDragging ? 'opacity-40' : ''}`}
    >
      <GripVertical size={18} aria-hidden />
    </button>
  );
}
