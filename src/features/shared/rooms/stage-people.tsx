"use client";
import { useTranslations } from "use-intl";
import type { StageView } from "@/core/room";
import { classes } from "@/ui";
import { Loudness } from "../loudness";

/** Hands that somebody on stage reads at a glance. */
const handsShown = 6;

/** Who is on stage and behind it, and who of the audience is heard or wants to be. */
export function StagePeople({ view, levels }: { view: StageView; levels: ReadonlyMap<string, number> }) {
  const t = useTranslations("stage");
  return (
    <section>
      <h2 className="mt-2 text-label text-ink-2">{t("people")}</h2>
      <ul>
        {Object.entries(view.stage).map(([id, person]) => (
          <li key={id} className="border-b border-rule py-1.5">
            <div className="flex items-center gap-3">
              <span className={classes("flex-1", !person.isPresent && "text-ink-2")}>{person.name}</span>
              {person.isPresent && person.isMicrophoneOpen && (
                <Loudness
                  level={person.callerLevel ?? levels.get(id) ?? 0}
                  name={person.name}
                  label={t("level", { name: person.name })}
                  className="w-16"
                />
              )}
              <span className="text-label text-ink-2">
                {person.isPresent ? t(`places.${person.place}`) : t("away")}
                {person.isPresent && person.isCameraOpen && ` · ${t("cameraOpen")}`}
                {person.callerLevel !== null && ` · ${t("onPhone")}`}
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
  const t = useTranslations("stage");
  const holders = Object.entries(view.floor);
  const hands = Object.entries(view.hands).sort(([, a], [, b]) => a.raisedAt - b.raisedAt);
  if (holders.length === 0 && hands.length === 0 && !view.everyone["it"]?.isOn) return null;
  return (
    <section aria-live="polite">
      <h2 className="mt-2 text-label text-ink-2">{t("fromAudience")}</h2>
      {view.everyone["it"]?.isOn && <p className="text-attention">{t("everyone")}</p>}
      <ul>
        {holders.map(([id, holder]) => (
          <li key={id} className="border-b border-rule py-1.5">
            <span className="flex items-center gap-3">
              <span className="flex-1 font-medium" dir="auto">
                {holder.name}
              </span>
              {holder.isMicrophoneOpen && (
                <Loudness
                  level={levels.get(id) ?? 0}
                  name={holder.name}
                  label={t("level", { name: holder.name })}
                  className="w-16"
                />
              )}
              <span className="text-label text-ink-2">{t(holder.isMicrophoneOpen ? "speaks" : "hasFloor")}</span>
            </span>
          </li>
        ))}
        {hands.slice(0, handsShown).map(([id, hand], i) => (
          <li key={id} className="border-b border-rule py-1.5">
            <span className="mono text-ink-2">{i + 1}</span> <span dir="auto">{hand.name}</span>
          </li>
        ))}
      </ul>
      {hands.length > handsShown && (
        <p className="text-label text-ink-2">{t("moreHands", { count: hands.length - handsShown })}</p>
      )}
    </section>
  );
}
