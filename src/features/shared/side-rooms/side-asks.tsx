"use client";
import { useLocale, useTranslations } from "use-intl";
import { cleanLine, sideAsksTopicOf, type AnyView } from "@/core/room";
import { Badge, Button, Input, List, ListItem } from "@/ui";
import { linesOf, type ShownLine } from "../chat/rows";
import type { RoomLink } from "../room-link/use-room";
import { useKept } from "../use-kept";

/** The questions of one side room that are open, then those that are answered. */
export const asksIn = (room: Pick<RoomLink<AnyView>, "logs">, number: number) => {
  const all = linesOf(room.logs.get(sideAsksTopicOf(number)));
  return { open: all.filter((one) => !one.answeredAt), answered: all.filter((one) => one.answeredAt) };
};

function Ask({ room, number }: { room: RoomLink<AnyView>; number: number }) {
  const t = useTranslations("sideRooms");
  const [text, setText] = useKept(`ask-side-${number}`, "");
  const ask = async () => {
    const receipt = await room.send({ type: "chat.say", to: "side", withId: null, text, isAsked: true });
    if (receipt.ok) setText("");
  };
  return (
    <form
      className="flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (cleanLine(text) !== "") void ask();
      }}
    >
      <Input
        aria-label={t("askRoom")}
        placeholder={t("askRoom")}
        dir="auto"
        className="flex-1"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <Button type="submit" weight="act" disabled={cleanLine(text) === ""}>
        {t("ask")}
      </Button>
    </form>
  );
}

/** A side room's own list of questions: asked by whoever is in it, called answered by any of them. */
export function SideAsks(props: {
  room: RoomLink<AnyView>;
  number: number;
  me: string;
  /** of the team: may ask anybody's question in the main room */
  isTeam: boolean;
  mayAskAll: boolean;
}) {
  const { room, number, me } = props;
  const t = useTranslations("sideRooms");
  const locale = useLocale();
  const { open, answered } = asksIn(room, number);
  const settle = (lineId: string, isAnswered: boolean) => void room.send({ type: "chat.settle", lineId, isAnswered });
  const acts = (one: ShownLine) => (
    <div className="mt-1 flex flex-wrap gap-2">
      {props.mayAskAll && !one.isQuestion && !one.answeredAt && (props.isTeam || one.authorId === me) && (
        <Button
          size="small"
          weight="plain"
          onClick={() => void room.send({ type: "chat.make-question", lineId: one.id })}
        >
          {t("toAll")}
        </Button>
      )}
      <Button size="small" onClick={() => settle(one.id, !one.answeredAt)}>
        {t(one.answeredAt ? "reopen" : "settle")}
      </Button>
    </div>
  );
  return (
    <div className="flex flex-col gap-3">
      <Ask room={room} number={number} />
      {open.length + answered.length === 0 && <p className="text-ink-2">{t("noAsks")}</p>}
      <List label={t("questions")}>
        {[...open, ...answered].map((one) => (
          <ListItem key={one.id}>
            <span className="block break-words" dir="auto">
              {one.text}
            </span>
            <span className="text-label text-ink-2">
              <bdi>{one.name}</bdi>
              {one.answeredAt && (
                <>
                  {" "}
                  · {t("answered")}{" "}
                  {new Date(one.answeredAt).toLocaleTimeString(locale, { hour: "2-digit", minute: "2-digit" })}
                </>
              )}{" "}
              {one.isQuestion && <Badge tone="action">{t("wasAsked")}</Badge>}
            </span>
            {acts(one)}
          </ListItem>
        ))}
      </List>
    </div>
  );
}
