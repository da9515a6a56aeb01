"use client";
import { useTranslations } from "use-intl";
import { useSay } from "@/features/shared/say/say";
import { ScreeningVideo } from "@/features/shared/watch/screening-video";
import { DeskHolding } from "./desk-holding";
import { HoldingDesk } from "./holding-desk";
import { LookDesk } from "./look-desk";
import type { DeskScene } from "./scene";

/** A recording that is watched together, as the audience gets it: it needs no scenes, and nobody who makes a picture. */
export function ScreeningDesk({
  scene,
  occurrenceId,
  ahead,
}: {
  scene: DeskScene;
  occurrenceId: string;
  ahead: number;
}) {
  const say = useSay();
  const t = useTranslations("watch");
  const { view, now, may } = scene;
  const status = view.status["it"]!;
  const item = status.screening!;
  return (
    <section aria-label={say`Picture`} className="grid grid-cols-[minmax(0,24rem)_1fr] gap-3">
      {status.isCurtainUp ? (
        <ScreeningVideo media={{ base: `/live/${occurrenceId}/`, query: "" }} isSilent {...{ item, ahead, now }} />
      ) : (
        <div className="aspect-video bg-ground">
          <DeskHolding view={view} now={now} />
        </div>
      )}
      <div className="flex min-w-0 flex-col gap-2">
        {!status.isCurtainUp && <p dir="auto">{t("screeningOf", { title: item.title })}</p>}
        <p className="text-label text-ink-2">{t("screeningWords")}</p>
        <div className="flex flex-wrap gap-2">
          {may("scenes.set") && <HoldingDesk scene={scene} />}
          {may("look.wear") && <LookDesk scene={scene} />}
        </div>
      </div>
    </section>
  );
}
