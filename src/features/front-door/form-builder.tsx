"use client";
import { dragWords } from "@/features/shared/drag-words";
import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from "@dnd-kit/core";
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { GripVertical, X } from "lucide-react";
import {
  canDependOn,
  dependingOnLater,
  fieldKinds,
  type FieldKind,
  type FormField as CoreField,
} from "@/core/front-door";
import { AskedWhen, type FormField } from "./asked-when";
import { Button, Checkbox, Input, Select, Textarea, IconButton, FieldError } from "@/ui";

const kindWords: Readonly<Record<FieldKind, string>> = {
  short: "short text",
  long: "long text",
  choice: "one of several",
  several: "several of several",
  number: "number",
  country: "country",
  consent: "agreement",
  hidden: "hidden value",
};
const hasOptions = (kind: FieldKind): boolean => kind === "choice" || kind === "several";

function Row({
  field,
  errorAt,
  others,
  onChange,
  onRemove,
}: {
  field: FormField;
  errorAt: (part: string) => string | undefined;
  others: readonly FormField[];
  onChange: (part: Partial<FormField>) => void;
  onRemove: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: field.id });
  const asked = others.find((one) => one.id === field.shownIf?.fieldId);
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Transform.toString(transform), transition }}
      className="grid grid-cols-[1.5rem_1fr_auto_2rem] items-center gap-2 border-t border-rule bg-ground py-2"
    >
      <IconButton
        {...attributes}
        {...listeners}
        label={`Move ${field.label || "the question"}`}
        icon={<GripVertical size={16} aria-hidden />}
        className="row-start-1 cursor-grab text-ink-2"
      />
      <Input
        aria-label="Question"
        aria-invalid={errorAt("label") !== undefined}
        className="col-span-2 row-start-1"
        value={field.label}
        onChange={(event) => onChange({ label: event.target.value })}
      />
      {errorAt("label") && (
        <span className="col-span-2 col-start-2">
          <FieldError>{errorAt("label")}</FieldError>
        </span>
      )}
      <Select
        aria-label="Kind of answer"
        className="col-start-2"
        value={field.kind}
        onChange={(event) => onChange({ kind: event.target.value as FieldKind })}
      >
        {fieldKinds.map((kind) => (
          <option key={kind} value={kind}>
            {kindWords[kind]}
          </option>
        ))}
      </Select>
      {field.kind === "hidden" ? (
        <span />
      ) : (
        <label className="flex items-center gap-1">
          <Checkbox checked={field.isRequired} onChange={(event) => onChange({ isRequired: event.target.checked })} />{" "}
          required
        </label>
      )}
      <IconButton
        label={`Remove ${field.label || "the question"}`}
        icon={<X size={16} aria-hidden />}
        onClick={onRemove}
        className="col-start-4 row-start-1 p-1 text-ink-2"
      />
      {hasOptions(field.kind) && (
        <Textarea
          aria-label="Answers, one a line"
          rows={2}
          className="col-span-2 col-start-2"
          value={field.options.join("\n")}
          onChange={(event) => onChange({ options: event.target.value.split("\n") })}
          onBlur={() => onChange({ options: field.options.map((one) => one.trim()).filter(Boolean) })}
        />
      )}
      {(field.kind === "consent" || field.kind === "hidden") && (
        <Input
          aria-label={field.kind === "consent" ? "Link to the terms" : "Value that is stored"}
          placeholder={field.kind === "consent" ? "https://" : "value"}
          className="col-span-2 col-start-2"
          value={field.link ?? ""}
          onChange={(event) => onChange({ link: event.target.value })}
        />
      )}
      {field.kind !== "hidden" && others.length > 0 && (
        <AskedWhen field={field} onChange={onChange} others={others} asked={asked} />
      )}
    </li>
  );
}

/** The registration form's own questions: their kinds, their order by drag or by keyboard, and when each is asked. */
export function FormBuilder({
  value,
  onChange,
  errorAt,
}: {
  errorAt: (path: string) => string | undefined;
  value: readonly FormField[];
  onChange: (fields: FormField[]) => void;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  return (
    <div>
      <DndContext
        id="form-builder"
        sensors={sensors}
        accessibility={dragWords((id) => value.find((field) => field.id === id)?.label || "A question")}
        collisionDetection={closestCenter}
        onDragEnd={({ active, over }) => {
          if (!over || active.id === over.id) return;
          const at = (id: unknown) => value.findIndex((field) => field.id === id);
          const moved = arrayMove([...value], at(active.id), at(over.id));
          // a question that came to stand above the one that it depends on is asked of everybody
          const loose = dependingOnLater(moved as readonly CoreField[]);
          onChange(moved.map((field, i) => (loose.includes(i) ? { ...field, shownIf: null } : field)));
        }}
      >
        <SortableContext items={value.map((field) => field.id)} strategy={verticalListSortingStrategy}>
          <ul>
            {value.map((field, i) => (
              <Row
                errorAt={(part) => errorAt(`formFields.${i}.${part}`)}
                key={field.id}
                field={field}
                others={canDependOn(value, field.id)}
                onChange={(part) => onChange(value.map((one) => (one.id === field.id ? { ...one, ...part } : one)))}
                onRemove={() =>
                  onChange(
                    value
                      .filter((one) => one.id !== field.id)
                      .map((one) => (one.shownIf?.fieldId === field.id ? { ...one, shownIf: null } : one)),
                  )
                }
              />
            ))}
          </ul>
        </SortableContext>
      </DndContext>
      <Button
        className="mt-2"
        onClick={() =>
          onChange([
            ...value,
            {
              id: crypto.randomUUID().slice(0, 8),
              label: "",
              kind: "short",
              isRequired: false,
              options: [],
              shownIf: null,
            },
          ])
        }
      >
        Add a question
      </Button>
    </div>
  );
}
