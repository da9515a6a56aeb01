"use client";
import type { Say } from "@/contracts/say";
import { useSay } from "@/features/shared/say/say";
import { useEffect } from "react";
import type { CommandBody } from "@/contracts";
import { Dialog, Shortcut, toast } from "@/ui";
import { sceneKinds } from "@/core/room";
import type { DeskScene } from "./scene";
import { sceneWords } from "@/features/shared/scene-words";

/** Keys never fire while typing. */
const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Nor behind something that asks first. */
const isBehindDialog = (): boolean => document.querySelector("[role=dialog],[role=alertdialog]") !== null;

interface DeskKey {
  readonly key: string;
  readonly words: (say: Say) => string;
  /** the act now; words where there is nothing to be done by it, null where this person may not */
  readonly act: (scene: DeskScene) => CommandBody | string | null;
}

const leaderOf = ({ segments, currentIndex }: DeskScene): string | null => segments[currentIndex]?.leaderId ?? null;

/** The scenes on the digits. */
const sceneKeys: readonly DeskKey[] = [
  ...sceneKinds.map((kind, i): DeskKey => ({
    key: String(i + 1),
    words: (say) => say`Picture: ${say.of(sceneWords[kind])}`,
    act: ({ may, view }) =>
      may("scenes.set") ? { type: "scenes.set", kind, personIds: [], seen: view.sceneChanges["it"]!.count } : null,
  })),
  {
    key: "0",
    words: (say) => say`Picture: by itself, from what is open`,
    act: ({ may, view }) =>
      may("scenes.set")
        ? { type: "scenes.set", kind: null, personIds: [], seen: view.sceneChanges["it"]!.count }
        : null,
  },
  {
    key: "u",
    words: (say) => say`Picture: back to the one before`,
    act: ({ may, view, say }) => {
      if (!may("scenes.undo")) return null;
      const { count, past } = view.sceneChanges["it"]!;
      return past > 0 ? { type: "scenes.undo", seen: count } : say`There is none before it.`;
    },
  },
];

/** Every frequent act with its key. */
export const deskKeys: readonly DeskKey[] = [
  {
    key: "x",
    words: (say) => say`Drop the curtain`,
    act: ({ may }) => (may("hour.drop-curtain") ? { type: "hour.drop-curtain" } : null),
  },
  {
    key: "n",
    words: (say) => say`Go to the next cue`,
    act: ({ may, segments, currentIndex, view, say }) => {
      if (!may("cues.next")) return null;
      const leavingSegmentId = view.cue["it"]!.currentSegmentId;
      return segments[currentIndex + 1] ? { type: "cues.next", leavingSegmentId } : say`No cue is left.`;
    },
  },
  {
    key: "m",
    words: (say) => say`Mute everyone on stage but the leader`,
    act: (scene) =>
      scene.may("stage.close-microphones") ? { type: "stage.close-microphones", exceptId: leaderOf(scene) } : null,
  },
  {
    key: "o",
    words: (say) => say`Ask everyone on stage to open their microphones`,
    act: ({ may }) => (may("stage.ask-to-open") ? { type: "stage.ask-to-open", ticketId: null } : null),
  },
  {
    key: "f",
    words: (say) => say`Give the floor to the first raised hand`,
    act: ({ may, view, say }) => {
      if (!may("floor.offer")) return null;
      const [first] = Object.entries(view.hands).sort(([, a], [, b]) => a.raisedAt - b.raisedAt);
      return first ? { type: "floor.offer", ticketId: first[0], parts: ["sound"] } : say`No hand is up.`;
    },
  },
  {
    key: "p",
    words: (say) => say`Open this segment’s poll, or the next that is prepared`,
    act: ({ may, view, segments, currentIndex, say }) => {
      if (!may("polls.open")) return null;
      const isPrepared = (id: string | null | undefined) =>
        typeof id === "string" && view.polls[id]?.state === "prepared";
      const own = segments[currentIndex]?.pollId;
      const pollId = isPrepared(own) ? own : Object.keys(view.polls).find(isPrepared);
      return pollId ? { type: "polls.open", pollId } : say`No poll is prepared.`;
    },
  },
  ...sceneKeys,
];

interface Opening {
  openLine(): void;
  showKeys(): void;
  bringIn(): void;
}

export function useDeskKeys(scene: DeskScene | null, { openLine, showKeys, bringIn }: Opening): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "k") {
        event.preventDefault();
        openLine();
        return;
      }
      // a key held down is pressed once
      if (
        !scene ||
        event.repeat ||
        isTyping(event.target) ||
        isBehindDialog() ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey
      )
        return;
      if (event.key === "?") return showKeys();
      if (event.key === "i") {
        event.preventDefault();
        return bringIn();
      }
      const act = deskKeys.find((one) => one.key === event.key)?.act(scene);
      if (typeof act === "string") toast(act);
      else if (act) void scene.send(act);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [scene, openLine, showKeys, bringIn]);
}

/** The list of keys. */
export function KeyList({ isOpen, onOpenChange }: { isOpen: boolean; onOpenChange: (isOpen: boolean) => void }) {
  const say = useSay();
  return (
    <Dialog isOpen={isOpen} onOpenChange={onOpenChange} title={say`Keys at the desk`}>
      <ul className="flex flex-col gap-1.5">
        {[
          ...deskKeys,
          { key: "i", words: (say: Say) => say`Somebody is late: send them their link` },
          { key: "Ctrl K", words: (say: Say) => say`Command line: a person and an act` },
          { key: "?", words: (say: Say) => say`This list` },
        ].map(({ key, words }) => (
          <li key={key} className="flex items-baseline gap-4">
            <span className="w-16">
              <Shortcut keys={key} />
            </span>
            {words(say)}
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
