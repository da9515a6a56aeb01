import { fail, ok, type Failure, type Result } from "../../shared";

/** People who are to be in one room, or each in another; by ticket. */
export interface AllotRules {
  readonly together: readonly (readonly string[])[];
  readonly apart: readonly (readonly string[])[];
}

type Contradiction = Extract<Failure, { code: "no-allotment" }>;
const contradiction = (why: Contradiction["why"], people: readonly string[] = [], most = 0) =>
  fail({ code: "no-allotment", why, people: [...new Set(people)].sort(), most });

/** Steps of the search before it gives up. */
const mostSteps = 200_000;

const shuffled = <T>(items: readonly T[], random: () => number): T[] => {
  const out = [...items];
  // Fisher and Yates, in Durstenfeld's form
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [out[i], out[j]] = [out[j]!, out[i]!];
  }
  return out;
};

/** Those who belong together, by whoever they are together with (disjoint sets). */
function groupsOf(people: readonly string[], together: AllotRules["together"]): readonly (readonly string[])[] {
  const parent = new Map(people.map((id) => [id, id]));
  const root = (id: string): string => {
    let at = id;
    while (parent.get(at) !== at) at = parent.get(at)!;
    return at;
  };
  for (const set of together) {
    const here = set.filter((id) => parent.has(id));
    for (const id of here.slice(1)) parent.set(root(id), root(here[0]!));
  }
  const groups = new Map<string, string[]>();
  for (const id of people) groups.set(root(id), [...(groups.get(root(id)) ?? []), id]);
  return [...groups.values()];
}

/** For each group the groups that it is apart from; or the pair that belongs together and apart. */
function foesOf(
  groups: readonly (readonly string[])[],
  apart: AllotRules["apart"],
): Result<readonly Set<number>[], Contradiction> {
  const groupOf = new Map(groups.flatMap((members, i) => members.map((id) => [id, i] as const)));
  const foes = groups.map(() => new Set<number>());
  for (const set of apart) {
    const here = [...new Set(set)].filter((id) => groupOf.has(id));
    for (const [i, one] of here.entries()) {
      for (const other of here.slice(i + 1)) {
        const [a, b] = [groupOf.get(one)!, groupOf.get(other)!];
        if (a === b) return contradiction("together-and-apart", [one, other]);
        foes[a]!.add(b);
        foes[b]!.add(a);
      }
    }
  }
  return ok(foes);
}

interface Search {
  readonly sizes: readonly number[];
  readonly foes: readonly Set<number>[];
  readonly order: readonly number[];
  readonly rooms: number;
  readonly small: number;
  /** how many rooms hold one person more than the others */
  readonly extra: number;
}

/** Puts groups into rooms one after the other, back again where it does not go on; exact within its budget. */
function place({ sizes, foes, order, rooms, small, extra }: Search, tries: (group: number) => readonly number[]) {
  const roomOf = new Map<number, number>();
  const held = Array.from({ length: rooms }, () => 0);
  let steps = 0;
  const large = () => held.filter((count) => count > small).length;
  const fits = (group: number, room: number): boolean => {
    const after = held[room]! + sizes[group]!;
    if (after > small + (extra > 0 ? 1 : 0)) return false;
    if (after > small && held[room]! <= small && large() >= extra) return false;
    return ![...foes[group]!].some((foe) => roomOf.get(foe) === room);
  };
  const goOn = (at: number): "placed" | "stuck" | "undecided" => {
    if (at === order.length) return "placed";
    const group = order[at]!;
    const seenEmpty = { yes: false };
    for (const room of tries(group)) {
      // empty rooms are alike: one of them is tried
      if (held[room] === 0 && seenEmpty.yes) continue;
      seenEmpty.yes ||= held[room] === 0;
      if (++steps > mostSteps) return "undecided";
      if (!fits(group, room)) continue;
      roomOf.set(group, room);
      held[room]! += sizes[group]!;
      const end = goOn(at + 1);
      if (end !== "stuck") return end;
      held[room]! -= sizes[group]!;
      roomOf.delete(group);
    }
    return "stuck";
  };
  return { end: goOn(0), roomOf };
}

/**
 * People into rooms by chance (rule 15): sizes differ by at most one; who belongs together is in one room, who is
 * to be apart in different ones; or what contradicts is named.
 * @param random even over [0, 1): the same one gives the same rooms
 * @returns the room of each, from 1 on
 */
export function allot(
  people: readonly string[],
  rooms: number,
  rules: AllotRules,
  random: () => number,
): Result<ReadonlyMap<string, number>, Contradiction> {
  const groups = groupsOf(shuffled(people, random), rules.together);
  const small = Math.floor(people.length / rooms);
  const extra = people.length % rooms;
  const most = small + (extra > 0 ? 1 : 0);
  const tooLarge = groups.find((members) => members.length > most);
  if (tooLarge) return contradiction("group-too-large", tooLarge, most);
  const foes = foesOf(groups, rules.apart);
  if (!foes.ok) return foes;
  const crowd = rules.apart.find((set) => new Set(set.filter((id) => people.includes(id))).size > rooms);
  if (crowd) return contradiction("too-few-rooms", crowd, rooms);
  const sizes = groups.map((members) => members.length);
  // the hardest first: large groups, then those with many to be apart from
  const order = groups
    .map((_, i) => i)
    .sort((a, b) => sizes[b]! - sizes[a]! || foes.value[b]!.size - foes.value[a]!.size);
  const all = Array.from({ length: rooms }, (_, i) => i);
  const { end, roomOf } = place({ sizes, foes: foes.value, order, rooms, small, extra }, () => shuffled(all, random));
  if (end !== "placed") return contradiction(end === "stuck" ? "impossible" : "undecided");
  return ok(new Map(groups.flatMap((members, i) => members.map((id) => [id, roomOf.get(i)! + 1] as const))));
}

/** The room for a late comer: the smallest, of equal ones the first (rule 15). @param sizes by room, from 1 on */
export const smallestRoom = (sizes: ReadonlyMap<number, number>): number | null => {
  let best: number | null = null;
  for (const [room, size] of [...sizes].sort(([a], [b]) => a - b))
    if (best === null || size < sizes.get(best)!) best = room;
  return best;
};
