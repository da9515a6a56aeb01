"use client";
import { useSay } from "@/features/shared/say/say";
import { caughtUp } from "@/core/run-sheet";
import { minuteMs } from "@/core/time";
import { Button, Menu, toast, type MenuItem } from "@/ui";
import type { DeskScene } from "./scene";

/** Ends later by so many minutes; the answer says what stands in the way. */
export type Extend = (minutes: number, seenEndAt: number) => Promise<{ ok: true } | { ok: false; words: string }>;

const extensions = [5, 10, 15, 30] as const;

/** What can be done about an hour that runs over: shorten what is to come, leave something out, end later. */
function catchingUp({ scene, extend }: { scene: DeskScene; extend: Extend }): readonly MenuItem[] {
  const { say, view, segments, currentIndex, clock, send, may } = scene;
  const over = Math.round(clock?.overMinutes ?? 0);
  const rest = segments.slice(currentIndex + 1);
  const items: MenuItem[] = [];
  if (may("cues.set-lengths") && over > 0 && rest.length > 0) {
    const shorter = caughtUp(rest, over);
    const saved =
      rest.reduce((sum, one) => sum + one.lengthMinutes, 0) - shorter.reduce((sum, one) => sum + one.lengthMinutes, 0);
    const set = (lengths: readonly { id: string; lengthMinutes: number }[]) =>
      send({
        type: "cues.set-lengths",
        lengths: lengths.map(({ id, lengthMinutes }) => ({ segmentId: id, minutes: lengthMinutes })),
      });
    if (saved > 0)
      items.push({
        label: say`Shorten the rest by ${saved} min`,
        onSelect: () =>
          void set(shorter).then((receipt) => {
            if (receipt.ok)
              toast(say`The rest is ${saved} min shorter.`, {
                action: { label: say`Undo`, onClick: () => void set(rest) },
              });
          }),
      });
  }
  if (may("cues.skip"))
    for (const { id, title, lengthMinutes } of rest)
      items.push({
        label: say`Skip “${title}” (${lengthMinutes} min)`,
        onSelect: () => void send({ type: "cues.skip", segmentId: id, isSkipped: true }),
      });
  if (may("hour.end") && view.event["it"]?.hasPlannedEnd)
    for (const minutes of extensions)
      items.push({
        label: say`End ${minutes} min later`,
        onSelect: () =>
          void extend(minutes, view.event["it"]!.endAt).then((done) =>
            toast(done.ok ? say`The end is ${minutes} min later; the licence is free for it.` : done.words),
          ),
      });
  return items;
}

/** The way out of running over, and what was left out with its way back. */
export function OverTime({ scene, extend }: { scene: DeskScene; extend: Extend }) {
  const say = useSay();
  const { view, send, may } = scene;
  const items = catchingUp({ scene, extend });
  const skipped = Object.entries(view.segments).filter(([, segment]) => segment.isSkipped);
  const isOver = (scene.clock?.overMinutes ?? 0) * minuteMs >= minuteMs;
  return (
    <div className="flex flex-col gap-1">
      {items.length > 0 && scene.clock && (
        <Menu
          trigger={
            <Button weight={isOver ? "quiet" : "plain"}>{isOver ? say`Catch up …` : say`Change the rest …`}</Button>
          }
          items={items}
        />
      )}
      {skipped.map(([id, { title }]) => (
        <p key={id} className="flex items-center gap-2 text-label text-ink-2">
          <span className="min-w-0 flex-1 truncate">
            {say`Skipped:`} <span className="line-through">{title}</span>
          </span>
          {may("cues.skip") && (
            <Button
              size="small"
              weight="plain"
              aria-label={say`Take it in again: ${title}`}
              onClick={() => send({ type: "cues.skip", segmentId: id, isSkipped: false })}
            >
              {say`Take in again`}
            </Button>
          )}
        </p>
      ))}
    </div>
  );
}
