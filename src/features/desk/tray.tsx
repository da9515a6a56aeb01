"use client";
import { useState, type ReactNode } from "react";
import type { TrayItem } from "@/core/room";
import { troubleWords as signalTrouble } from "@/features/shared/signal-words";
import { HandItem } from "./hand-item";
import { nearFinder } from "./questions/near";
import { QuestionCard } from "./questions/question-card";
import type { DeskScene } from "./scene";

const troubleWords = (item: Extract<TrayItem, { kind: "trouble" }>): string =>
  ({
    "leader-away": `${item.name} leads this segment and is away.`,
    "over-time": `The hour will end ${Math.round(item.overMinutes ?? 0)} min late.`,
    "stage-empty": "The curtain is up before an empty stage.",
  })[item.trouble];

const Trouble = ({ children }: { children: ReactNode }) => (
  <li className="my-1 border-l-2 border-attention bg-attention-ground px-2 py-1.5 text-attention">{children}</li>
);

/** Questions that want nothing now, behind one line. */
function Folded({ words, ids, scene }: { words: string; ids: readonly string[]; scene: DeskScene }) {
  if (ids.length === 0) return null;
  return (
    <details className="mt-3">
      <summary className="cursor-pointer text-label text-ink-2">
        {words} ({ids.length})
      </summary>
      <ul>
        {ids.slice(0, 100).map((id) => (
          <QuestionCard key={id} id={id} scene={scene} />
        ))}
      </ul>
    </details>
  );
}

/** The in-tray: one list of all that wants an answer, most urgent first. */
export function Tray({ scene, items }: { scene: DeskScene; items: readonly TrayItem[] }) {
  const [nearOf] = useState(nearFinder);
  const inState = (...states: readonly string[]) =>
    Object.entries(scene.view.questions).filter(
      ([, question]) => question.mergedIntoId === null && states.includes(question.state),
    );
  const inHand = inState("on-stage", "lined-up");
  // later is work that waits, not settled
  const [later, settled] = [inState("later"), inState("done", "not-taken")];
  return (
    <aside aria-label="In-tray">
      {inHand.length > 0 && (
        <>
          <h2 className="text-label font-medium text-ink-2">In hand</h2>
          <ul className="mb-3">
            {inHand
              .sort(([, a]) => (a.state === "on-stage" ? -1 : 1))
              .map(([id]) => (
                <QuestionCard key={id} id={id} scene={scene} />
              ))}
          </ul>
        </>
      )}
      {inHand.length > 0 && <h2 className="text-label font-medium text-ink-2">In-tray</h2>}
      <ul aria-live="polite">
        {items.length === 0 && <li className="py-2 text-ink-2">Nothing wants an answer.</li>}
        {items.slice(0, 100).map((item) => {
          if (item.kind === "question") {
            const nearId = nearOf(scene.view.questions, item.id);
            return <QuestionCard key={item.id} id={item.id} scene={scene} nearId={nearId} />;
          }
          if (item.kind === "hand") return <HandItem key={item.id} item={item} scene={scene} />;
          if (item.kind === "signal")
            return <Trouble key={item.id}>{signalTrouble(item.signal, item.count, item.house)}</Trouble>;
          if (item.kind === "trouble") return <Trouble key={item.id}>{troubleWords(item)}</Trouble>;
          return (
            <li key={item.id} className="border-b border-rule py-2">
              <span className="mono">{item.count}</span> at the door
            </li>
          );
        })}
      </ul>
      {items.length > 1 && (
        <p className="mt-1 text-label text-ink-2">
          Trouble first, then who waits at the door, raised hands in their order, then questions: those of this segment
          first, by votes.
        </p>
      )}
      <Folded words="To be answered by mail" ids={later.map(([id]) => id)} scene={scene} />
      <Folded words="Settled questions" ids={settled.map(([id]) => id)} scene={scene} />
    </aside>
  );
}
