import { verdictBy, type Circumstance, type Permission, type Switches } from "../people";
import { fail, ok, type Result } from "../shared";
import { capabilities, type Capabilities, type CapabilityName } from "./capabilities";
import type { By, Capability, LogTopic, Now, Pace, Shape, Sight, ViewTopic, WhisperTopic } from "./capability";
import { chain } from "./chain";
import type { MadeView } from "./changes";
import type { EntryBody, JournalEntry, RoomCommand } from "./commands";
import type { RoomDirectory, RoomFigures } from "./directory";
import { switchesNow } from "./hour/state";
import type { Scene } from "./scene";
import type { Standing } from "./standing";

/** The whole of what the journal says about one room: a part for each capability. */
export type RoomState = { readonly seq: number } & { readonly [N in CapabilityName]: Capabilities[N]["empty"] };

export interface Decision {
  readonly next: RoomState;
  readonly entries: readonly JournalEntry[];
}

type Any = Capability<Shape>;
const names = Object.keys(capabilities) as CapabilityName[];
// the list is typed whole; inside the engine every capability is alike
const all = capabilities as unknown as Record<CapabilityName, Any>;
const owners = new Map<string, CapabilityName>(
  names.flatMap((name) =>
    [...Object.keys(all[name].decide), ...Object.keys(all[name].fold)].map((type) => [type, name] as const),
  ),
);

const withOwn = names.filter((name) => all[name].own);

/** What one person has of the room's state for themselves, by capability. */
export function ownOf(room: RoomState, ticketId: string): Readonly<Record<string, unknown>> {
  const parts: Record<string, unknown> = {};
  for (const name of withOwn) parts[name] = all[name].own!(room[name] as never, ticketId);
  return parts;
}

/** Those whose own part of the state differs between two of them. */
export const concernedOf = (before: RoomState, after: RoomState): readonly string[] =>
  names.flatMap((name) =>
    before[name] === after[name] ? [] : [...(all[name].concerns?.(before[name] as never, after[name] as never) ?? [])],
  );

/** Every right of every capability: rows of the one table. */
export const roomRights = Object.assign({}, ...names.map((name) => all[name].rights)) as {
  readonly [T in { [N in CapabilityName]: keyof Capabilities[N]["rights"] }[CapabilityName]]: Permission;
};

/** Acts that have a pace of their own. */
export const roomPaces: Readonly<Record<string, Pace>> = Object.assign({}, ...names.map((name) => all[name].paces));

export const emptyRoom = {
  seq: 0,
  ...Object.fromEntries(names.map((name) => [name, all[name].empty])),
} as unknown as RoomState;

/** The room after one more row. The server and its tests fold with this alone. */
export function fold(room: RoomState, { seq, at, actorId, body }: JournalEntry): RoomState {
  const by: By = { ticketId: actorId, at };
  const owner = owners.get(body.type);
  const next: Record<string, unknown> = { ...room, seq };
  if (owner) next[owner] = all[owner].fold[body.type]?.(room[owner] as never, body as never, by);
  if (owner === "hour") {
    for (const name of names) {
      const hears = all[name].hears;
      if (hears) next[name] = hears(room[name] as never, body as never, by);
    }
  }
  return next as unknown as RoomState;
}

export const foldAll = (room: RoomState, entries: Iterable<JournalEntry>): RoomState => {
  let next = room;
  for (const entry of entries) next = fold(next, entry);
  return next;
};

export const circumstanceOf = (room: RoomState, switches: Switches): Circumstance => ({
  phase: room.hour.phase,
  switches: switchesNow(room.hour, switches),
});

function checkRight(room: RoomState, command: RoomCommand, scene: Scene): Result<void> {
  const rule = (roomRights as Readonly<Record<string, Permission>>)[command.type]!;
  switch (verdictBy(rule, scene.actor, circumstanceOf(room, scene.switches))) {
    case "yes":
      return ok(undefined);
    case "wrong-role":
      return fail({ code: "not-allowed", action: command.type });
    case "wrong-phase":
      return fail({ code: "wrong-state", action: command.type, state: room.hour.phase });
    case "switched-off":
      return fail({ code: "switched-off", what: rule.needs?.switch ?? "questions" });
  }
}

/** Puts bodies behind the room's last row: the next room and its rows. */
export function append(room: RoomState, bodies: readonly EntryBody[], by: By): Decision {
  const entries = bodies.map((body, i): JournalEntry => ({
    seq: room.seq + i + 1,
    at: by.at,
    actorId: by.ticketId,
    body,
  }));
  return { next: foldAll(room, entries), entries };
}

/** What a command makes of the room, rights apart, with all that it causes elsewhere. */
function carry(room: RoomState, command: RoomCommand, scene: Scene, by: By): Result<Decision> {
  const owner = owners.get(command.type)!;
  const now: Now = { hour: room.hour, scene, switches: switchesNow(room.hour, scene.switches) };
  const bodies = all[owner].decide[command.type]!(room[owner] as never, command as never, now, by);
  if (!bodies.ok) return bodies;
  let decision = append(room, bodies.value as readonly EntryBody[], by);
  for (const { body } of decision.entries) {
    for (const further of chain(body)) {
      const caused = carry(decision.next, further, scene, by);
      if (!caused.ok) return caused;
      decision = { next: caused.value.next, entries: [...decision.entries, ...caused.value.entries] };
    }
  }
  return ok(decision);
}

/** One command, decided: refused with the reason, or the rows that it makes. */
export function decide(room: RoomState, command: RoomCommand, scene: Scene, by: By): Result<Decision> {
  const right = checkRight(room, command, scene);
  return right.ok ? carry(room, command, scene, by) : right;
}

const views = new Map<string, { name: CapabilityName; topic: ViewTopic<unknown> }>(
  names.flatMap((name) =>
    Object.entries(all[name].views).map(([id, topic]) => [id, { name, topic: topic as ViewTopic<unknown> }] as const),
  ),
);
const logs = new Map<string, LogTopic>(names.flatMap((name) => Object.entries(all[name].logs ?? {})));
/** What is said in passing, by type. */
export const whisperTopics: ReadonlyMap<string, WhisperTopic> = new Map(
  names.flatMap((name) => Object.entries<WhisperTopic>(all[name].whispers ?? {})),
);
const tellers = new Map<string, CapabilityName>(
  names.flatMap((name) => Object.keys(all[name].whispers ?? {}).map((type) => [type, name] as const)),
);
/** Whether somebody may say this to that one person, as the room stands. */
export function mayTell(room: RoomState, type: string, from: Standing, to: Standing): boolean {
  const name = tellers.get(type);
  const rule = name && (all[name].whispers?.[type as never] as WhisperTopic<unknown> | undefined)?.mayTell;
  return rule ? rule(room[name], from, to) : false;
}
export const viewTopics: readonly string[] = [...views.keys()];
export const logTopics: ReadonlyMap<string, LogTopic> = logs;

/** Which feeds somebody follows: a pure function of where they stand and of the switches. */
export function topicsOf(
  standing: Standing,
  switches: Switches,
): { views: readonly string[]; logs: readonly string[]; whispers: readonly string[] } {
  return {
    views: [...views].filter(([, { topic }]) => topic.isFor(standing, switches)).map(([id]) => id),
    logs: [...logs].filter(([, topic]) => topic.isFor(standing, switches)).map(([id]) => id),
    whispers: [...whisperTopics].filter(([, topic]) => topic.isFor(standing, switches)).map(([id]) => id),
  };
}

/** What a view was made from: the same things make the same view. */
export function sourcesOf(
  topic: string,
  room: RoomState,
  words: RoomDirectory,
  figures: RoomFigures,
): readonly unknown[] {
  const { name, topic: view } = views.get(topic)!;
  const read = view.reads.map((part) =>
    part in figures ? figures[part as keyof RoomFigures] : words[part as keyof RoomDirectory],
  );
  return [room[name], room.hour, words.event.switches, ...read];
}

/** One feed's picture of the room. What its followers may not see is not in it. */
export function project(topic: string, room: RoomState, words: RoomDirectory, figures: RoomFigures): MadeView {
  const { name, topic: view } = views.get(topic)!;
  const switches = switchesNow(room.hour, words.event.switches);
  return view.make({ own: room[name], hour: room.hour, switches, words, figures } as Sight<unknown>);
}

/** A room as its checkpoint kept it: what a capability did not know of then is as in an empty room. */
export function roomFrom(stored: object): RoomState {
  const kept = stored as Readonly<Record<string, object | null>>;
  const whole = names.map((name) => [name, all[name].empty && { ...all[name].empty, ...kept[name] }] as const);
  return { ...emptyRoom, ...stored, ...Object.fromEntries(whole) };
}
