"use client";
import { useEffect, useState } from "react";
import { Volume2, VolumeX } from "lucide-react";
import { useLocale, useTranslations } from "use-intl";
import type { HoldingItem } from "@/core/room";
import { IconButton } from "@/ui";
import { spanText } from "../times";
import { playSurf } from "./surf";

/** The chosen sound while the holding picture stands; each listener may put it off for themselves. */
function HoldingSound() {
  const t = useTranslations("picture");
  const [isOn, setOn] = useState(true);
  useEffect(() => (isOn ? playSurf() : undefined), [isOn]);
  return (
    <IconButton
      label={t(isOn ? "soundOff" : "soundOn")}
      icon={isOn ? <Volume2 size={18} aria-hidden /> : <VolumeX size={18} aria-hidden />}
      onClick={() => setOn(!isOn)}
    />
  );
}

/** What stands while the stage is not seen: the event's picture, its title, a message, the time until it begins. */
export function HoldingPicture(props: {
  holding: HoldingItem;
  title: string;
  /** what is said where nobody wrote anything */
  words: string;
  startAt: number;
  now: number;
  /** whether its sound is heard here */
  isHeard: boolean;
}) {
  const { holding, now, startAt } = props;
  const locale = useLocale();
  return (
    <div className="relative grid size-full place-items-center overflow-hidden text-center">
      {holding.pictureId && (
        <img
          src={`/pictures/${holding.pictureId}`}
          alt=""
          className="absolute inset-0 size-full object-cover opacity-35"
        />
      )}
      <div className="relative flex max-w-[80%] flex-col items-center gap-2 bg-ground/60 px-6 py-4">
        <p className="text-head font-semibold" dir="auto">
          {holding.message || props.words}
        </p>
        <p className="text-ink-2" dir="auto">
          {props.title}
        </p>
        {holding.countsDown && now < startAt && (
          <output className="text-clock leading-none">{spanText(startAt - now, locale)}</output>
        )}
      </div>
      {props.isHeard && holding.sound === "surf" && (
        <div className="absolute end-2 bottom-2">
          <HoldingSound />
        </div>
      )}
    </div>
  );
}
