import { Avatar } from "radix-ui";
import type { ReactNode } from "react";
import { classes } from "./classes";

/** Up to two letters that stand for a name: of its first and its last word, whatever the script. */
export function initialsOf(name: string): string {
  const words = name.trim().split(/\s+/).filter(Boolean);
  const first = [...(words[0] ?? "")][0] ?? "";
  const last = words.length > 1 ? ([...words.at(-1)!][0] ?? "") : "";
  return (first + last).toLocaleUpperCase();
}

// quiet grounds on which white letters keep 4.5 : 1, so that two faces beside each other are told apart
const grounds = ["#2A6478", "#8A6426", "#3F6B45", "#7A3B44", "#5B4A86", "#4A5652"];
const groundOf = (id: string): string =>
  grounds[[...id].reduce((sum, letter) => (sum * 31 + letter.codePointAt(0)!) % 9973, 7) % grounds.length]!;

/** Some faces side by side, named to whoever points at them or hears them. */
export function Faces({
  people,
  count,
}: {
  people: readonly { readonly id: string; readonly name: string; readonly portrait: string | null }[];
  /** of all of them, where not each has room */
  count: number;
}) {
  if (people.length === 0) return <span />;
  const more = count - people.length;
  return (
    <span
      className="flex items-center gap-1"
      role="img"
      aria-label={people.map((one) => one.name).join(", ") + (more > 0 ? ` and ${more} more` : "")}
    >
      {people.map(({ id, name, portrait }) => (
        <Avatar.Root
          key={id}
          title={name}
          className="grid size-6 place-items-center overflow-hidden rounded-control text-[10px] font-semibold text-white"
          style={{ background: groundOf(id) }}
        >
          {portrait && <Avatar.Image src={portrait} alt="" className="size-full object-cover" />}
          <Avatar.Fallback aria-hidden>{initialsOf(name)}</Avatar.Fallback>
        </Avatar.Root>
      ))}
      {more > 0 && <span className="mono text-label text-ink-2">+{more}</span>}
    </span>
  );
}

/** A face or initials, the name, and one line about them. */
export function Person(props: {
  name: string;
  portrait?: string | null;
  about?: ReactNode;
  size?: "small" | "usual";
  children?: ReactNode;
  className?: string;
}) {
  const side = props.size === "small" ? "size-6 text-[10px]" : "size-9 text-label";
  return (
    <span className={classes("flex min-w-0 items-center gap-2", props.className)}>
      <Avatar.Root
        className={classes(
          "grid shrink-0 place-items-center overflow-hidden rounded-control bg-raised font-semibold text-ink-2",
          side,
        )}
      >
        {props.portrait && <Avatar.Image src={props.portrait} alt="" className="size-full object-cover" />}
        <Avatar.Fallback aria-hidden>{initialsOf(props.name)}</Avatar.Fallback>
      </Avatar.Root>
      <span className="min-w-0 flex-1">
        <span className="block truncate font-medium">
          <bdi>{props.name}</bdi>
        </span>
        {props.about && <span className="block truncate text-label text-ink-2">{props.about}</span>}
      </span>
      {props.children}
    </span>
  );
}
