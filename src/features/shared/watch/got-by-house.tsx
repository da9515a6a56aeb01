"use client";
import { useTranslations } from "use-intl";
import type { StageView } from "@/core/room";
import { programmeFeed } from "@/core/programme";
import { lighterOnAir, ProgrammeVideo } from "./programme-video";

/** What the house gets now, for whoever stands before it: the picture alone, their own voice would come back to them. */
export function GotByHouse({ view, occurrenceId, as }: { view: StageView; occurrenceId: string; as: string }) {
  const t = useTranslations("watch");
  const isOn = view.programme[programmeFeed] !== undefined && (view.status["it"]?.isCurtainUp ?? false);
  if (!isOn) return null;
  return (
    <details>
      <summary className="cursor-pointer text-ink-2">{t("gotByHouse")}</summary>
      <ProgrammeVideo
        media={{ base: `/live/${occurrenceId}/`, query: `as=${as}` }}
        lighter={lighterOnAir(view)}
        label={t("gotByHouse")}
        isSilent
        className="mt-2 aspect-video max-w-lg"
      />
    </details>
  );
}
