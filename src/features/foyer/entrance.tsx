"use client";
import { useState, useTransition } from "react";
import { IntlProvider } from "use-intl";
import { directionOf, type Locale, type Messages } from "@/contracts/messages";
import { HouseRoom } from "@/features/shared/rooms/house-room";
import { StageRoom } from "@/features/shared/rooms/stage-room";
import { lookStyle } from "@/features/shared/look";
import { Foyer } from "./foyer";
import { OtherDevice } from "./other-device";

export interface EntranceProps {
  readonly occurrenceId: string;
  readonly ticketId: string;
  readonly isStage: boolean;
  readonly name: string;
  readonly title: string;
  readonly zone: string;
  readonly startAt: number;
  readonly opensAt: number;
  readonly isOpen: boolean;
  /** there is no foyer: the doors let in when they open */
  readonly isByDoors: boolean;
  readonly isOver: boolean;
  /** another device came in by this ticket before, and this one never did */
  readonly isOtherDevice: boolean;
  readonly frontDoor: string;
  /** this browser came in by this very link before */
  readonly hasEntered: boolean;
  readonly backstage: readonly string[];
  /** how to come in by phone, line by line */
  readonly phone: readonly (readonly [label: string, value: string])[];
  readonly soundBy: "computer" | "phone" | "both";
  readonly now: number;
  readonly words: Messages;
  readonly locale: Locale;
  readonly look: { readonly colour: string; readonly bannerId: string | null };
  /** @param hasTriedDevices a real microphone and camera were tried: the tech check is done */
  readonly enter: (name: string, hasTriedDevices: boolean) => Promise<{ ok: true } | { ok: false; words: string }>;
}

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
    <div
      lang={props.locale}
      dir={props.isStage && isInside ? "ltr" : directionOf(props.locale)}
      style={isInside ? undefined : lookStyle(props.look.colour)}
    >
      <IntlProvider locale={props.locale} messages={props.words as never} timeZone={props.zone}>
        {!isSame ? (
          <OtherDevice {...props} onSame={() => setSame(true)} />
        ) : !isInside ? (
          <Foyer {...props} isPending={isPending} wrong={wrong} onEnter={enter} />
        ) : props.isStage ? (
          <StageRoom occurrenceId={occurrenceId} ticketId={ticketId} zone={props.zone} />
        ) : (
          <HouseRoom occurrenceId={occurrenceId} ticketId={ticketId} startAt={props.startAt} words={props.words} />
        )}
      </IntlProvider>
    </div>
  );
}
