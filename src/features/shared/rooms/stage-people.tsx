"use client";
import type { StageView } from "@/core/room";
import { classes } from "@/ui";
import { Loudness } from "../loudness";

/** Hands that somebody on stage reads at a glance. */
const handsShown = 6;
export const placeWords = { backstage: "Backstage", standby: "Standby", stage: "On stage" } as const;

/** Who is on stage and behind it, and who of the audience is heard or wants to be. */
export function StagePeople({ view, levels }: { view: StageView; levels: ReadonlyMap<string, number> }) {
  return (
    <section>
      <h2 className="mt-2 text-label text-ink-2">People on stage and behind it</h2>
      <ul>
        {Object.entries(view.stage).map(([id, person]) => (
          <li key={id} className="border-b border-rule py-1.5">
            <div className="flex items-center gap-3">
              <span className={classes("flex-1", !person.isPresent && "text-ink-2")}>{person.name}</span>
              {person.isPresent && person.isMicrophoneOpen && (
                <Loudness level={person.callerLevel ?? levels.get(id) ?? 0} name={person.name} className="w-16" />
              )}
              <span className="text-label text-ink-2">
                {person.isPresent ? placeWords[person.place] : "away"}
                {person.isPresent && person.isCameraOpen && " · camera open"}
                {person.callerLevel !== null && " · on the phone"}
              </span>
            </div>
          </li>
        ))}
      </ul>
      <HouseVoices view={view} levels={levels} />
    </section>
  );
}

/** Whose turn it is of the audience: who has the floor, and whose hands are up, in their order. */
function HouseVoices({ view, levels }: { view: StageView; levels: ReadonlyMap<string, number> }) {
  const holders = Object.entries(view.floor);
  const hands = Object.entries(view.hands).sort(([, a], [, b]) => a.raisedAt - b.raisedAt);
  if (holders.length === 0 && hands.length === 0 && !view.everyone["it"]?.isOn) return null;
  return (
    <section aria-live="polite">
      <h2 className="mt-2 text-label text-ink-2">From the audience</h2>
      {view.everyone["it"]?.isOn && <p className="text-attention">Everyone may speak.</p>}
      <ul>
        {holders.map(([id, holder]) => (
          <li key={id} className="border-b border-rule py-1.5">
            <span className="flex items-center gap-3">
              <span className="flex-1 font-medium" dir="auto">
                {holder.name}
              </span>
              {holder.isMicrophoneOpen && <Loudness level={levels.get(id) ?? 0} name={holder.name} className="w-16" />}
              <span className="text-label text-ink-2">{holder.isMicrophoneOpen ? "speaks" : "has the floor"}</span>
            </span>
          </li>
        ))}
        {hands.slice(0, handsShown).map(([id, hand], i) => (
          <li key={id} className="border-b border-rule py-1.5">
            <span className="mono text-ink-2">{i + 1}</span> <span dir="auto">{hand.name}</span>
          </li>
        ))}
      </ul>
      {hands.length > handsShown && <p className="text-label text-ink-2">and {hands.length - handsShown} more hands</p>}
    </section>
  );
}
