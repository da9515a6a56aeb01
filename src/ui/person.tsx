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
