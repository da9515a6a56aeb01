import { inOrder } from "../questions";
import type { DeskView } from "./views";

/** One line of the desk's in-tray: what wants an answer. */
export type TrayItem =
  | {
      kind: "trouble";
      id: string;
      trouble: "leader-away" | "over-time" | "stage-empty";
      overMinutes?: number;
      name?: string;
    }
  | { kind: "signal"; id: string; signal: string; count: number; house: number }
  | { kind: "waiting"; id: string; count: number }
  | { kind: "hand"; id: string; name: string; raisedAt: number }
  | { kind: "question"; id: string; votes: number };

/**
 * Everything that wants an answer, most urgent first (rule 28): troubles, people at the door, raised hands in
 * their order, then questions by rule 12.
 */
export function inTray(view: DeskView, overMinutes: number | null): readonly TrayItem[] {
  const status = view.status["it"];
  const cue = view.cue["it"] ?? { currentSegmentId: null, cuedAt: null };
  if (!status) return [];
  const items: TrayItem[] = [];
  const segment = cue.currentSegmentId ? view.segments[cue.currentSegmentId] : undefined;
  const leader = segment?.leaderId ? view.stage[segment.leaderId] : undefined;
  if (status.phase === "open" && leader && !leader.isPresent) {
    items.push({ kind: "trouble", id: "leader-away", trouble: "leader-away", name: leader.name });
  }
  if (status.isCurtainUp && !Object.values(view.stage).some((person) => person.place === "stage" && person.isPresent)) {
    items.push({ kind: "trouble", id: "stage-empty", trouble: "stage-empty" });
  }
  if (overMinutes !== null && overMinutes >= 5) {
    items.push({ kind: "trouble", id: "over-time", trouble: "over-time", overMinutes });
  }
  for (const [signal, { count, house }] of Object.entries(view.troubles))
    items.push({ kind: "signal", id: `signal-${signal}`, signal, count, house });
  const foyer = view.figures["foyer"]?.count ?? 0;
  if (status.phase === "open" && foyer > 0) items.push({ kind: "waiting", id: "foyer", count: foyer });
  const hands = Object.entries(view.hands).sort(([, a], [, b]) => a.raisedAt - b.raisedAt);
  for (const [id, { name, raisedAt }] of hands) items.push({ kind: "hand", id, name, raisedAt });
  const open = Object.entries(view.questions)
    .filter(([, question]) => question.state === "new" && question.mergedIntoId === null)
    .map(([id, question]) => ({ ...question, id, votes: view.votes[id]?.count ?? 0 }));
  for (const { id, votes } of inOrder(open, "segment", cue.currentSegmentId))
    items.push({ kind: "question", id, votes });
  return items;
}
