"use client";
import { Checkbox, Input, Select, Textarea } from "@/ui";
import { severalOf, type FormField } from "@/core/front-door";

export interface AnswerProps {
  readonly field: FormField;
  readonly value: string;
  readonly error: string | undefined;
  readonly required: string;
  readonly countries: readonly { readonly code: string; readonly name: string }[];
  readonly onChange: (value: string) => void;
}

/** One question of the registration form, of whatever kind. */
export function AnswerField(props: AnswerProps) {
  const { field, value, error } = props;
  const name = `answers.${field.id}`;
  const described = { "aria-invalid": error !== undefined, "aria-describedby": error ? `${name}-error` : undefined };
  const label = `${field.label}${field.isRequired ? ` (${props.required})` : ""}`;
  const wrong = error && (
    <p id={`${name}-error`} className="text-label text-wrong">
      {error}
    </p>
  );
  if (field.kind === "several") {
    const chosen = severalOf(value);
    return (
      <fieldset className="flex flex-col gap-1">
        <legend className="text-label font-medium text-ink-2">{label}</legend>
        <input type="hidden" name={name} value={value} readOnly />
        {field.options.map((option) => (
          <label key={option} className="flex items-center gap-2">
            <Checkbox
              checked={chosen.includes(option)}
              onChange={(event) =>
                props.onChange(
                  (event.target.checked ? [...chosen, option] : chosen.filter((one) => one !== option)).join("\n"),
                )
              }
            />{" "}
            {option}
          </label>
        ))}
        {wrong}
      </fieldset>
    );
  }
  if (field.kind === "consent") {
    return (
      <div>
        <label className="flex items-start gap-2 text-label text-ink-2">
          <Checkbox
            name={name}
            value="yes"
            className="mt-0.5"
            checked={value === "yes"}
            onChange={(event) => props.onChange(event.target.checked ? "yes" : "")}
            {...described}
          />
          <span>
            {field.link && /^https?:/.test(field.link) ? (
              <a href={field.link} target="_blank" rel="noopener noreferrer nofollow">
                {label}
              </a>
            ) : (
              label
            )}
          </span>
        </label>
        {wrong}
      </div>
    );
  }
  const shared = {
    name,
    className: "min-h-9",
    value,
    ...described,
    onChange: (event: { target: { value: string } }) => props.onChange(event.target.value),
  };
  const options =
    field.kind === "country"
      ? props.countries.map((one) => ({ value: one.code, words: one.name }))
      : field.options.map((option) => ({ value: option, words: option }));
  return (
    <label className="flex flex-col gap-1">
      <span className="text-label font-medium text-ink-2">{label}</span>
      {field.kind === "choice" || field.kind === "country" ? (
        <Select {...shared} autoComplete={field.kind === "country" ? "country" : undefined}>
          <option value="" />
          {options.map((option) => (
            <option key={option.value} value={option.value}>
              {option.words}
            </option>
          ))}
        </Select>
      ) : field.kind === "long" ? (
        <Textarea rows={2} {...shared} />
      ) : (
        <Input {...shared} inputMode={field.kind === "number" ? "decimal" : undefined} dir="auto" />
      )}
      {wrong}
    </label>
  );
}
