"use client";
import { ArrowDown, ArrowUp } from "lucide-react";
import Link from "next/link";
import { useState, useTransition } from "react";
import type { Done } from "@/contracts";
import { shortDate } from "@/core/time";
import { Badge, Button, Checkbox, Input, Person, Select, Table, Td, Th, classes, toast } from "@/ui";

export interface ContactRow {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly company: string;
  readonly marks: readonly string[];
  readonly wantsNoMail: boolean;
  readonly cameBack: boolean;
  readonly eventCount: number;
  readonly lastAt: number | null;
  readonly href: string;
}
export interface SortHead {
  readonly id: string;
  readonly words: string;
  /** where pressing it leads; null for a column that is not sorted by */
  readonly href: string | null;
  readonly order: "none" | "ascending" | "descending";
}
interface Mark {
  readonly ids: readonly string[];
  readonly kind: "tag" | "group";
  readonly name: string;
  readonly isOn: boolean;
}

const acts = [
  ["tag on", "Put the tag on"],
  ["tag off", "Take the tag off"],
  ["group on", "Put into the group"],
  ["group off", "Take out of the group"],
] as const;

/** What can be done with all that are ticked. */
function ManyActs({
  ids,
  names,
  mark,
  onDone,
}: {
  ids: readonly string[];
  names: readonly string[];
  mark: (input: Mark) => Promise<Done<number>>;
  onDone: () => void;
}) {
  const [act, setAct] = useState<string>(acts[0][0]);
  const [name, setName] = useState("");
  const [isPending, run] = useTransition();
  const submit = () =>
    run(async () => {
      const [kind, on] = act.split(" ") as ["tag" | "group", "on" | "off"];
      const done = await mark({ ids, kind, name, isOn: on === "on" });
      if (!done.ok) return void toast.error(done.words);
      toast(done.value === 1 ? "Saved for 1 contact." : `Saved for ${done.value} contacts.`);
      onDone();
    });
  return (
    <form
      aria-label="With those ticked"
      className="sticky top-0 z-10 mb-2 flex flex-wrap items-center gap-2 border-s-4 border-action bg-sheet px-3 py-2"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <span>
        <span className="mono">{ids.length}</span> ticked:
      </span>
      <Select aria-label="What to do" className="w-48!" value={act} onChange={(event) => setAct(event.target.value)}>
        {acts.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </Select>
      <Input
        aria-label="Name of the tag or group"
        className="w-44!"
        list="contact-marks"
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <datalist id="contact-marks">
        {names.map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <Button type="submit" weight="act" disabled={isPending || name.trim() === ""}>
        Do it
      </Button>
      <Button weight="plain" onClick={onDone}>
        Tick none
      </Button>
    </form>
  );
}

const SortMark = ({ order }: Pick<SortHead, "order">) =>
  order === "none" ? null : order === "descending" ? (
    <ArrowDown aria-hidden size={12} />
  ) : (
    <ArrowUp aria-hidden size={12} />
  );

function OneContact({
  row,
  isOpen,
  isTicked,
  onTick,
  mayEdit,
  isNarrow,
}: {
  row: ContactRow;
  isNarrow: boolean;
  isOpen: boolean;
  isTicked: boolean;
  onTick: () => void;
  mayEdit: boolean;
}) {
  return (
    <tr className={classes(isOpen && "bg-sheet")}>
      {mayEdit && (
        <Td className="w-8 align-middle!">
          <Checkbox aria-label={`Tick ${row.name || row.email}`} checked={isTicked} onChange={onTick} />
        </Td>
      )}
      <Td className="align-middle!">
        <Link
          href={row.href}
          prefetch={false}
          scroll={false}
          aria-current={isOpen ? "true" : undefined}
          className="no-underline"
          dir="auto"
        >
          <Person size="small" name={row.name || row.email} />
        </Link>
      </Td>
      <Td className={classes("align-middle!", row.cameBack ? "text-wrong" : "text-ink-2")}>
        <span className="block max-w-64 truncate">{row.email}</span>
      </Td>
      {!isNarrow && (
        <Td className="align-middle!">
          <span className="block max-w-40 truncate" dir="auto">
            {row.company}
          </span>
        </Td>
      )}
      <Td className="align-middle!">
        <span className={classes("flex gap-1", isNarrow ? "max-w-48 overflow-hidden whitespace-nowrap" : "flex-wrap")}>
          {row.marks.map((one) => (
            <Badge key={one}>{one}</Badge>
          ))}
          {row.wantsNoMail && <Badge tone="attention">no mail</Badge>}
          {row.cameBack && <Badge tone="wrong">mail came back</Badge>}
        </span>
      </Td>
      {!isNarrow && (
        <>
          <Td className="text-end align-middle!">
            <span className="mono">{row.eventCount || ""}</span>
          </Td>
          <Td className="align-middle! whitespace-nowrap text-ink-2">
            {row.lastAt === null ? "" : shortDate(row.lastAt, "UTC")}
          </Td>
        </>
      )}
    </tr>
  );
}

/** The book as a table: sorted by its heads, many ticked and marked at once, one opened beside. */
export function ContactTable({
  rows,
  heads,
  openId,
  isBeside: isNarrow,
  names,
  mayEdit,
  mark,
}: {
  rows: readonly ContactRow[];
  heads: readonly SortHead[];
  openId: string | null;
  /** whether a contact stands beside, also one that is being added */
  isBeside: boolean;
  /** groups and tags that there are */
  names: readonly string[];
  mayEdit: boolean;
  mark: (input: Mark) => Promise<Done<number>>;
}) {
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const shown = rows.filter((row) => ticked.has(row.id));
  // beside one there is room for who they are alone
  const columns = isNarrow ? heads.filter((head) => ["name", "email", "marks"].includes(head.id)) : heads;
  const tick = (id: string) => {
    const next = new Set(ticked);
    if (!next.delete(id)) next.add(id);
    setTicked(next);
  };
  return (
    <>
      {shown.length > 0 && (
        <ManyActs ids={shown.map((row) => row.id)} names={names} mark={mark} onDone={() => setTicked(new Set())} />
      )}
      <Table aria-label="Contacts">
        <thead>
          <tr>
            {mayEdit && (
              <Th className="w-8">
                <Checkbox
                  aria-label="Tick all of this page"
                  checked={rows.length > 0 && shown.length === rows.length}
                  onChange={(event) => setTicked(new Set(event.target.checked ? rows.map((row) => row.id) : []))}
                />
              </Th>
            )}
            {columns.map((head) => (
              <Th key={head.id} aria-sort={head.href ? head.order : undefined}>
                {head.href ? (
                  <Link href={head.href} prefetch={false} className="inline-flex items-center gap-1 text-inherit">
                    {head.words}
                    <SortMark order={head.order} />
                  </Link>
                ) : (
                  head.words
                )}
              </Th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <OneContact
              key={row.id}
              row={row}
              isOpen={row.id === openId}
              isTicked={ticked.has(row.id)}
              onTick={() => tick(row.id)}
              mayEdit={mayEdit}
              isNarrow={isNarrow}
            />
          ))}
        </tbody>
      </Table>
    </>
  );
}
