"use client";
import { useState, type ReactNode } from "react";
import type { TrayItem } from "@/core/room";
import { Button, Menu, Textarea, type MenuItem } from "@/ui";
import { troubleWords as signalTrouble } from "@/features/shared/signal-words";
import { HandItem } from "./hand-item";
import type { DeskScene } from "./scene";

const troubleWords = (item: Extract<TrayItem, { kind: "trouble" }>): string =>
  ({
    "leader-away": `${item.name} leads this segment and is away.`,
    "over-time": `The hour will end ${Math.round(item.overMinutes ?? 0)} min late.`,
    "stage-empty": "The curtain is up before an empty stage.",
  })[item.trouble];

const stateWords: Readonly<Record<string, string>> = {
  "lined-up": "lined up",
  "on-stage": "on stage",
  done: "answered",
  later: "to be answered by mail",
  "not-taken": "set aside",
};

const answerActs = { "to-one": "To the asker", "to-all": "To all" } as const;

/** An answer in writing, opened from the card's menu; what was typed stays until it is sent. */
function Answer({ id, scene, onSent }: { id: string; scene: DeskScene; onSent: () => void }) {
  const [text, setText] = useState("");
  const answer = async (how: "to-one" | "to-all") => {
    const receipt = await scene.send({ type: "questions.answer", questionId: id, how, text: text.trim() });
    if (receipt.ok) onSent();
  };
  return (
    <div className="mt-1">
      <Textarea aria-label="Answer" autoFocus rows={2} value={text} onChange={(e) => setText(e.target.value)} />
      <div className="mt-1 flex gap-1">
        {(["to-one", "to-all"] as const).map((how) => (
          <Button key={how} disabled={text.trim() === ""} onClick={() => void answer(how)}>
            {answerActs[how]}
          </Button>
        ))}
      </div>
    </div>
  );
}

type DeskQuestion = DeskScene["view"]["questions"][string];
type State = "lined-up" | "on-stage" | "later" | "not-taken";

/** What else can be done with a question: behind the one act that stands in view. */
function furtherActs(question: DeskQuestion, hasTaker: boolean, move: (state: State) => void): MenuItem[] {
  const { state } = question;
  const acts: (MenuItem | false)[] = [
    state === "new" && { label: "Show now", onSelect: () => move("on-stage") },
    (state === "new" || state === "on-stage") && { label: "Line up", onSelect: () => move("lined-up") },
    state !== "later" && !hasTaker && { label: "Answer by mail", onSelect: () => move("later") },
    state !== "not-taken" && { label: "Set aside", onSelect: () => move("not-taken") },
  ];
  return acts.filter((one) => one !== false);
}

function QuestionActs({
  id,
  question,
  scene,
  taker,
}: {
  id: string;
  question: DeskQuestion;
  scene: DeskScene;
  taker: string | null;
}) {
  const { send, may } = scene;
  const [isAnswering, setAnswering] = useState(false);
  const move = (state: State) => send({ type: "questions.move", questionId: id, state, segmentId: null });
  if (!may("questions.move")) return null;
  const { state } = question;
  const isOnStage = state === "on-stage";
  const main = isOnStage ? "Answered aloud" : state === "new" ? "Line up" : "Show now";
  const act = () => {
    if (isOnStage) void send({ type: "questions.answer", questionId: id, how: "aloud", text: null });
    else void move(state === "new" ? "lined-up" : "on-stage");
  };
  const items: MenuItem[] = [
    ...furtherActs(question, taker !== null, move).filter((item) => item.label !== main),
    ...(taker === null
      ? [
          {
            label: "Take it myself",
            onSelect: () => void send({ type: "questions.take", questionId: id, isMine: true }),
          },
        ]
      : []),
    ...(may("questions.answer") ? [{ label: "Answer in writing", onSelect: () => setAnswering(true) }] : []),
  ];
  return (
    <>
      <div className="flex items-center gap-1">
        <Button weight={state === "new" ? "quiet" : "act"} onClick={act}>
          {main}
        </Button>
        <Menu
          trigger={
            <Button weight="plain" aria-label={`More for: ${question.text}`}>
              More
            </Button>
          }
          items={items}
        />
      </div>
      {isAnswering && <Answer id={id} scene={scene} onSent={() => setAnswering(false)} />}
    </>
  );
}

function QuestionCard({ id, scene }: { id: string; scene: DeskScene }) {
  const question = scene.view.questions[id];
  if (!question) return null;
  const { view } = scene;
  const votes = view.votes[id]?.count ?? 0;
  const taker = question.takenBy ? (view.stage[question.takenBy]?.name ?? "somebody") : null;
  return (
    <li className="border-b border-rule py-2">
      <p className="break-words" dir="auto">
        {question.text}
      </p>
      <p className="mb-1 text-label text-ink-2">
        <span className="mono">{votes}</span> {votes === 1 ? "vote" : "votes"} · {question.askerName}
        {taker && ` · taken by ${taker}`}
        {question.state !== "new" && ` · ${stateWords[question.state]}`}
      </p>
      <QuestionActs id={id} question={question} scene={scene} taker={taker} />
    </li>
  );
}

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
  const inHand = Object.entries(scene.view.questions).filter(
    ([, question]) => question.state === "on-stage" || question.state === "lined-up",
  );
  const inState = (...states: readonly string[]) =>
    Object.entries(scene.view.questions).filter(([, question]) => states.includes(question.state));
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
          if (item.kind === "question") return <QuestionCard key={item.id} id={item.id} scene={scene} />;
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
