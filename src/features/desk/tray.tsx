"use client";
import { phrase, type Say } from "@/contracts/say";
import { useSay } from "@/features/shared/say/say";
import { useState, type ReactNode } from "react";
import { mostInTray, type TrayItem } from "@/core/room";
import { troubleWords as signalTrouble } from "@/features/shared/signal-words";
import { DoorItem, HandItem, HelpItem, SightItem } from "./hand-item";
import { lettingIn } from "./let-all-in";
import { Button } from "@/ui";
import { nearFinder } from "./questions/near";
import { QuestionCard } from "./questions/question-card";
import type { DeskScene } from "./scene";
import { TrayLine } from "./taking";

function troubleWords(item: Extract<TrayItem, { kind: "trouble" }>, say: Say): string {
  switch (item.trouble) {
    case "leader-away":
      return say`${item.name} leads this segment and is away.`;
    case "leader-line-lost":
      return say`${item.name} leads this segment and lost the line.`;
    case "stage-empty":
      return say`The curtain is up before an empty stage.`;
    case "silence":
      return say`Nobody has been heard for 20 s; ${item.name} leads.`;
    case "licence-ends":
      return item.inMinutes > 0
        ? say`The planned end is in ${item.inMinutes} min; the licence ends with it.`
        : say`The planned end is past; the licence may be another event’s now.`;
  }
}

/** What one item says and offers, whoever is at it. */
function Content(props: { item: Exclude<TrayItem, { kind: "question" }>; isFirstHand: boolean; scene: DeskScene }) {
  const say = useSay();
  const { item, scene } = props;
  switch (item.kind) {
    case "trouble":
      return troubleWords(item, say);
    case "hand":
      return <HandItem item={item} isFirst={props.isFirstHand} scene={scene} />;
    case "door":
      return <DoorItem item={item} scene={scene} />;
    case "help":
      return <HelpItem item={item} scene={scene} />;
    case "sight":
      return <SightItem item={item} scene={scene} />;
    case "waiting":
      return say`${item.count} in the foyer, waiting to come in`;
    case "signal":
      return signalTrouble(item.signal, item.count, item.house, say);
    case "over-time":
      return say`The hour will end ${Math.round(item.overMinutes)} min late.`;
    case "poll-open":
      return say`“${scene.view.polls[item.pollId]?.questions[0]?.text ?? ""}” has been open for ${item.forMinutes} min.`;
  }
}

/** Those at the door, let in by one act: those whom this picture shows, nobody who came since. */
function LetAllIn({ items, scene }: { items: readonly TrayItem[]; scene: DeskScene }) {
  const say = useSay();
  const { count, acts } = lettingIn(items);
  if (count < 2 || !scene.may("hour.let-in")) return null;
  return (
    <li className="py-2">
      <Button onClick={() => acts.forEach((act) => void scene.send(act))}>{say`Let all ${count} in`}</Button>
    </li>
  );
}

const kindWords: Readonly<Record<"waiting" | "signal" | "over-time" | "poll-open", string>> = {
  waiting: phrase("people in the foyer"),
  signal: phrase("a signal of many"),
  "over-time": phrase("over time"),
  "poll-open": phrase("a poll that is open for long"),
};
const labelOf = (item: Exclude<TrayItem, { kind: "question" }>, say: Say): string =>
  "name" in item ? item.name : item.kind === "trouble" ? troubleWords(item, say) : say.of(kindWords[item.kind]);

const isUrgent = (item: TrayItem): boolean => item.kind === "trouble" || item.kind === "signal";

function Items({ items, scene, me }: { items: readonly TrayItem[]; scene: DeskScene; me: string }) {
  const [nearOf] = useState(nearFinder);
  const firstHand = items.find((item) => item.kind === "hand");
  return items.map((item) => {
    if (item.kind === "question") {
      const nearId = nearOf(scene.view.questions, item.questionId);
      return <QuestionCard key={item.id} id={item.questionId} scene={scene} nearId={nearId} />;
    }
    return (
      <TrayLine
        key={item.id}
        scene={scene}
        me={me}
        id={item.id}
        label={labelOf(item, scene.say)}
        {...(isUrgent(item) && {
          className: "my-1 border-s-2 border-s-attention bg-attention-ground px-2 text-attention",
        })}
      >
        <Content item={item} isFirstHand={item === firstHand} scene={scene} />
      </TrayLine>
    );
  });
}

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

/**
 * The in-tray: one list of all that wants an answer, most urgent first.
 * @param held lines that wait to be let through: between hands and questions (rule 28)
 */
export function Tray({
  scene,
  items,
  me,
  held,
}: {
  scene: DeskScene;
  items: readonly TrayItem[];
  me: string;
  held: ReactNode;
}) {
  const say = useSay();
  const inState = (...states: readonly string[]) =>
    Object.entries(scene.view.questions).filter(
      ([, question]) => question.mergedIntoId === null && states.includes(question.state),
    );
  const inHand = inState("on-stage", "lined-up");
  // later is work that waits, not settled
  const [later, settled] = [inState("later"), inState("done", "not-taken")];
  const shown = items.slice(0, mostInTray);
  const split = shown.findIndex((item) => !["trouble", "door", "waiting", "hand"].includes(item.kind));
  const [first, rest] = split < 0 ? [shown, []] : [shown.slice(0, split), shown.slice(split)];
  return (
    <aside aria-label={say`In-tray`}>
      {inHand.length > 0 && (
        <>
          <h2 className="text-label font-medium text-ink-2">{say`In hand`}</h2>
          <ul className="mb-3">
            {inHand
              .sort(([, a]) => (a.state === "on-stage" ? -1 : 1))
              .map(([id]) => (
                <QuestionCard key={id} id={id} scene={scene} />
              ))}
          </ul>
          <h2 className="text-label font-medium text-ink-2">{say`In-tray`}</h2>
        </>
      )}
      {items.length === 0 && !held && <p className="py-2 text-ink-2">{say`Nothing wants an answer.`}</p>}
      <ul aria-live="polite">
        <Items items={first} scene={scene} me={me} />
        <LetAllIn items={first} scene={scene} />
      </ul>
      {held}
      <ul aria-live="polite">
        <Items items={rest} scene={scene} me={me} />
      </ul>
      {items.length > mostInTray && <p className="py-1">{say`and ${items.length - mostInTray} more`}</p>}
      {items.length > 1 && (
        <p className="mt-1 text-label text-ink-2">
          {say`Trouble first, then who is at the door, raised hands in their order, held lines, questions (those of this segment first, by votes), notes.`}
        </p>
      )}
      <Folded words={say`To be answered by mail`} ids={later.map(([id]) => id)} scene={scene} />
      <Folded words={say`Settled questions`} ids={settled.map(([id]) => id)} scene={scene} />
    </aside>
  );
}
