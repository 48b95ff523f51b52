import { IconButton } from '@chakra-ui/react';
import type { Announcements, UniqueIdentifier } from '@dnd-kit/core';
import { DndContext, KeyboardSensor, PointerSensor, closestCenter, useSensor, useSensors } from '@dnd-kit/core';
import {
  SortableContext,
  arrayMove,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { GripVertical } from 'lucide-react';
import type { CSSProperties, ReactElement, ReactNode } from 'react';

interface Named {
  readonly id: string;
  readonly name: string;
}

const HOW = 'Space takes it up, arrows move it, Space puts it down, Escape leaves it where it was.';

/** A list whose order is set by hand: dragged by their grips, or moved by the arrow keys. */
export function Sortable({
  things,
  onOrder,
  children,
}: {
  readonly things: readonly Named[];
  /** All ids in their new order. */
  readonly onOrder: (ids: readonly string[]) => void;
  readonly children: ReactNode;
}): ReactElement {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = things.map((t) => t.id);
  const nameOf = (id: UniqueIdentifier): string => things.find((t) => t.id === id)?.name ?? String(id);
  const place = (id: UniqueIdentifier): string => `${ids.indexOf(String(id)) + 1} of ${ids.length}`;
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${nameOf(active.id)} is taken up, ${place(active.id)}.`,
    // over its own place it has said where it is
    onDragOver: ({ active, over }) =>
      over === null || over.id === active.id ? undefined : `${nameOf(active.id)} would be ${place(over.id)}.`,
    onDragEnd: ({ active, over }) => `${nameOf(active.id)} is put down${over === null ? '' : `, ${place(over.id)}`}.`,
    onDragCancel: ({ active }) => `${nameOf(active.id)} stays where it was.`,
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{ announcements, screenReaderInstructions: { draggable: HOW } }}
      onDragEnd={({ active, over }) => {
        if (over === null || over.id === active.id) return;
        onOrder(arrayMove(ids, ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
  );
}

/** One of such a list: what its row is given, and the grip it is moved by. */
export function useRow({ id, name }: Named): {
  readonly ref: (element: HTMLElement | null) => void;
  readonly style: CSSProperties;
  readonly grip: ReactElement;
} {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
  });
  return {
    ref: setNodeRef,
    style: {
      ...(transform === null ? {} : { transform: `translate(0, ${transform.y}px)` }),
      ...(transition === undefined ? {} : { transition }),
      ...(isDragging ? { position: 'relative', zIndex: 1, background: 'var(--rb-colors-cloth2)' } : {}),
    },
    grip: (
      <IconButton
        ref={setActivatorNodeRef}
        variant="ghost"
        size="sm"
        minWidth={{ base: '44px', lg: '28px' }}
        minHeight={{ base: '44px', lg: '28px' }}
        touchAction="none"
        cursor="grab"
        {...attributes}
        {...listeners}
        aria-label={`Move ${name}`}
      >
        <GripVertical size={16} />
      </IconButton>
    ),
  };
}
