"use client";
import { useState } from "react";
import { useTranslations } from "use-intl";
import { mostScreens, type StageView } from "@/core/room";
import { Button, Note } from "@/ui";
import { screensInOrder } from "../picture/cast";
import type { OwnScreen as Own } from "./use-own-screen";

/** What is asked where others share theirs: whose place it takes, or whether it stands beside them. */
function WhosePlace(props: {
  screens: StageView["screens"];
  share: (overId: string | null) => void;
  onCancel: () => void;
}) {
  const t = useTranslations("screens");
  const others = screensInOrder(props.screens);
  return (
    <div role="alert" className="border-s-4 border-attention bg-sheet p-3">
      <p className="text-lead font-semibold">
        {t("others", { names: others.map((id) => props.screens[id]!.name).join(", ") })}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        {others.map((id) => (
          <Button key={id} onClick={() => props.share(id)}>
            {t("takeOver", { name: props.screens[id]!.name })}
          </Button>
        ))}
        {others.length < mostScreens && <Button onClick={() => props.share(null)}>{t("beside")}</Button>}
        <Button weight="plain" onClick={props.onCancel}>
          {t("cancel")}
        </Button>
      </div>
    </div>
  );
}

/** Shares a screen, a window or a tab of one's own; where somebody else does, asks first. */
export function OwnScreen({ screen, screens, me }: { screen: Own; screens: StageView["screens"]; me: string }) {
  const t = useTranslations("screens");
  const [isAsking, setAsking] = useState(false);
  const areOthers = Object.keys(screens).some((id) => id !== me);
  const share = (overId: string | null) => {
    setAsking(false);
    screen.share(overId);
  };
  if (screen.isShared || screen.stream)
    return (
      <>
        <Button weight="on-air" className="min-h-11" aria-pressed onClick={screen.stop}>
          {t("stop")}
        </Button>
        {!screen.stream && <p className="text-label text-ink-2">{t("elsewhere")}</p>}
      </>
    );
  if (!screen.canShare) return <p className="text-label text-ink-2">{t("cannot")}</p>;
  return (
    <>
      {screen.wasEnded && <Note tone="attention">{t("wasEnded")}</Note>}
      {isAsking && areOthers ? (
        <WhosePlace screens={screens} share={share} onCancel={() => setAsking(false)} />
      ) : (
        <Button className="min-h-11" aria-pressed={false} onClick={() => (areOthers ? setAsking(true) : share(null))}>
          {t("share")}
        </Button>
      )}
    </>
  );
}
