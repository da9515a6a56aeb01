import type { AllotRules } from "@/core/room";

export interface KnownPerson {
  readonly ticketId: string;
  readonly name: string;
}
export type GroupsRead =
  | { readonly ok: true; readonly groups: AllotRules["together"] }
  | { readonly ok: false; readonly unknown: readonly string[] };

const plain = (name: string): string => name.normalize("NFKD").replace(/\p{M}/gu, "").trim().toLowerCase();

/** Groups as they are typed: one a line, names parted by commas; who is not found is named. */
export function groupsIn(text: string, people: readonly KnownPerson[]): GroupsRead {
  const byName = new Map(people.map((one) => [plain(one.name), one.ticketId]));
  const unknown: string[] = [];
  const groups = text
    .split("\n")
    .map((line) =>
      line
        .split(",")
        .map((name) => name.trim())
        .filter(Boolean),
    )
    .filter((names) => names.length > 0)
    .map((names) =>
      names.flatMap((name) => {
        const id = byName.get(plain(name));
        if (!id) unknown.push(name);
        return id ?? [];
      }),
    );
  return unknown.length > 0 ? { ok: false, unknown } : { ok: true, groups };
}
