"use client";
import { KitIn, Theme } from "@/ui";
import { useState, useTransition } from "react";
import { IntlProvider } from "use-intl";
import { directionOf } from "@/contracts/messages";
import { HouseRoom } from "@/features/shared/rooms/house-room";
import { StageRoom } from "@/features/shared/rooms/stage-room";
import { PageLanguage } from "@/features/shared/page-language";
import { lookStyle } from "@/features/shared/look";
import type { EntranceProps } from "./props";
import { Foyer } from "./foyer";
import { OtherDevice } from "./other-device";

/** The way in: the foyer alone first, then the room by the holder's role. */
export function Entrance(props: EntranceProps) {
  const [isInside, setInside] = useState(props.hasEntered && props.isOpen && !props.isOver);
  const [isSame, setSame] = useState(!props.isOtherDevice);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const enter = (name: string, hasTriedDevices: boolean) =>
    run(async () => {
      const done = await props.enter(name, hasTriedDevices);
      if (done.ok) setInside(true);
      else setWrong(done.words);
    });
  const { occurrenceId, ticketId } = props;
  return (
    <Theme theme={isInside && props.isStage ? "desk" : "paper"} lang={props.locale} dir={directionOf(props.locale)}>
      <div style={isInside && props.isStage ? undefined : lookStyle(props.look.colour)}>
        <PageLanguage locale={props.locale} direction={directionOf(props.locale)} />
        <IntlProvider locale={props.locale} messages={props.words as never} timeZone={props.zone}>
          <KitIn words={props.words.kit}>
            {!isSame ? (
              <OtherDevice {...props} onSame={() => setSame(true)} />
            ) : !isInside ? (
              <Foyer {...props} isPending={isPending} wrong={wrong} onEnter={enter} />
            ) : props.isStage ? (
              <StageRoom
                occurrenceId={occurrenceId}
                ticketId={ticketId}
                zone={props.zone}
                ownSlides={props.slides?.acts ?? null}
                ownFiles={props.handOuts}
                words={props.words}
              />
            ) : (
              <HouseRoom
                occurrenceId={occurrenceId}
                ticketId={ticketId}
                startAt={props.startAt}
                overflowHref={props.overflowHref}
                surveyHref={props.surveyHref}
                words={props.words}
              />
            )}
          </KitIn>
        </IntlProvider>
      </div>
    </Theme>
  );
}
