import { insertNodeAt, removeNode, useSortable } from '@vueuse/integrations/useSortable';
import { watch, type ShallowRef } from 'vue';
import { movedTo, type ColumnId } from './logQuery';

/** What a heading that can be moved is known by in the page. */
export const MOVABLE = 'movable-column';

/**
 * The headings of a table are dragged into another order, or moved by Shift with an arrow key where one is focused.
 * The table is drawn from the order that is kept, so what was dragged goes back before the order changes.
 * @param head the row that holds the headings
 */
export function useMovableColumns(
  head: Readonly<ShallowRef<HTMLElement | null>>,
  columns: () => readonly ColumnId[],
  show: (ids: readonly ColumnId[]) => void,
) {
  useSortable(head, [], {
    draggable: `.${MOVABLE}`,
    forceFallback: true,
    animation: 150,
    watchElement: true,
    onUpdate: ({ item, from, oldIndex, newIndex, oldDraggableIndex, newDraggableIndex }) => {
      if (oldIndex === undefined || newIndex === undefined) return;
      removeNode(item);
      insertNodeAt(from, item, oldIndex);
      if (oldDraggableIndex === undefined || newDraggableIndex === undefined) return;
      show(movedTo(columns(), oldDraggableIndex, newDraggableIndex));
    },
  });
  let moved: ColumnId | null = null;
  watch(
    columns,
    () => {
      if (moved) head.value?.querySelector<HTMLElement>(`[data-column="${moved}"]`)?.focus();
      moved = null;
    },
    { flush: 'post' },
  );
  return {
    /** Moves the focused heading; the focus goes with it. */
    onHeadingKey: (event: KeyboardEvent, id: ColumnId): void => {
      const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
      if (!event.shiftKey || by === undefined) return;
      event.preventDefault();
      event.stopPropagation();
      const from = columns().indexOf(id);
      moved = id;
      show(movedTo(columns(), from, from + by));
    },
  };
}
