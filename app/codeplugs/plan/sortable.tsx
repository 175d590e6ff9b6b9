// A list that is put in order by dragging, by the keyboard on its handles, or, without scripts, by a press up or down.
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { createContext, type ReactNode, useContext, useId, useRef } from "react";
import { ActForm } from "../../forms/act-form.tsx";

type Sorting = { readonly move: (from: number, to: number) => void };
const Context = createContext<Sorting | undefined>(undefined);

/** `fields`: what goes with the move beside `to`, and `moved`, the field that names which; `names`: what each is called, for who hears it. */
export function Sortable(props: {
  readonly intent: string;
  readonly moved: string;
  readonly fields: Readonly<Record<string, string | number>>;
  readonly names: readonly string[];
  readonly children: ReactNode;
}) {
  const { intent, moved, fields, names, children } = props;
  const form = useRef<HTMLDivElement>(null);
  const id = useId();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = names.map((_, i) => `${i + 1}`);
  const named = (one: string | number | undefined) => names[Number(one) - 1] ?? "";
  const move = (from: number, to: number) => {
    const box = form.current?.querySelector("form");
    const set = (name: string, value: number) => {
      const field = box?.elements.namedItem(name);
      if (field instanceof HTMLInputElement) field.value = String(value);
    };
    set(moved, from);
    set("to", to);
    box?.requestSubmit();
  };
  const end = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) move(Number(active.id) - 1, Number(over.id) - 1);
  };
  return (
    <Context.Provider value={{ move }}>
      <div ref={form} hidden>
        <ActForm intent={intent}>
          {Object.entries(fields).map(([name, value]) => (
            <input key={name} type="hidden" name={name} value={value} />
          ))}
          <input type="hidden" name={moved} defaultValue="" />
          <input type="hidden" name="to" defaultValue="" />
        </ActForm>
      </div>
      <DndContext
        id={id}
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={end}
        accessibility={{
          screenReaderInstructions: {
            draggable:
              "Press space to take it, the arrows to move it, space again to put it down, escape to leave it.",
          },
          announcements: {
            onDragStart: ({ active }) => `${named(active.id)} taken.`,
            onDragOver: ({ active, over }) =>
              over ? `${named(active.id)} is at place ${over.id} of ${names.length}.` : "",
            onDragEnd: ({ active, over }) =>
              over ? `${named(active.id)} put down at place ${over.id}.` : "",
            onDragCancel: ({ active }) => `${named(active.id)} left where it was.`,
          },
        }}
      >
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          {children}
        </SortableContext>
      </DndContext>
    </Context.Provider>
  );
}

/** One of the list; `at`: its place, from 0. */
export function useSorted(at: number) {
  const sorting = useContext(Context);
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } =
    useSortable({
      id: `${at + 1}`,
    });
  return {
    move: sorting?.move,
    box: {
      ref: setNodeRef,
      style: {
        transform: CSS.Translate.toString(transform),
        transition,
        ...(isDragging && { opacity: 0.6 }),
      },
    },
    handle: { ...attributes, ...listeners, ref: setActivatorNodeRef },
  };
}

export const Handle = ({
  name,
  handle,
}: {
  readonly name: string;
  readonly handle: ReturnType<typeof useSorted>["handle"];
}) => (
  <button
    type="button"
    {...handle}
    aria-label={`Move ${name}`}
    className="cursor-grab touch-none min-h-6 min-w-6 px-1 text-quiet max-md:min-h-11 max-md:min-w-11"
  >
    <span aria-hidden="true">⠿</span>
  </button>
);
