import { expect, it } from "vitest";
import { commandInput } from "@/contracts";
import { mostLetInAtOnce, type TrayItem } from "@/core/room";
import { lettingIn } from "./let-all-in";

const idOf = (n: number) => `3f1c2d4e-0000-4000-8000-${String(n).padStart(12, "0")}`;
const door = (n: number): TrayItem => ({ kind: "door", id: `door:${n}`, ticketId: idOf(n), name: `Guest ${n}` });

it("everybody at the door comes in, each once, in as many acts as a command has room for", () => {
  const items: TrayItem[] = [
    { kind: "waiting", id: "waiting", count: 3 },
    ...Array.from({ length: 1001 }, (_, i) => door(i)),
  ];
  const { count, acts } = lettingIn(items);
  expect(count).toBe(1001);
  expect(acts).toHaveLength(Math.ceil(1001 / mostLetInAtOnce));
  const ids = acts.flatMap((act) => (act.type === "hour.let-in" ? act.ticketIds : []));
  expect(ids).toEqual(Array.from({ length: 1001 }, (_, i) => idOf(i)));
  for (const command of acts) expect(commandInput.safeParse({ commandId: idOf(1), command }).success).toBe(true);
});
it("of nobody there is nothing to do", () => expect(lettingIn([])).toEqual({ count: 0, acts: [] }));
