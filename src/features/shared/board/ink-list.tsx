"use client";
import { useTranslations } from "use-intl";
import { List, ListItem, TextButton } from "@/ui";
import type { InkStore } from "./ink-store";
import { useInkVersion } from "./use-surface";

const mostListed = 200;

/** What is on a surface, in words: the last things first, each of them wiped out by one act where one may. */
export function InkList(props: {
  store: InkStore;
  nameOf: (ticketId: string) => string;
  /** null for whoever may not; else whether this one may be taken away */
  onErase: ((id: string) => void) | null;
  mayErase: (authorId: string) => boolean;
}) {
  const t = useTranslations("board");
  useInkVersion(props.store);
  const standing = props.store.standing();
  return (
    <details>
      <summary className="cursor-pointer text-label text-ink-2">{t("onIt", { count: standing.length })}</summary>
      <List label={t("onIt", { count: standing.length })} className="mt-1 max-h-60 overflow-y-auto">
        {standing
          .slice(-mostListed)
          .reverse()
          .map(({ id, authorId, mark }) => {
            const words = t("thing", {
              what: t(`tools.${mark.tool}`),
              colour: t(`colours.${mark.colour}`),
              name: props.nameOf(authorId) || t("somebody"),
            });
            return (
              <ListItem key={id}>
                <span dir="auto">
                  {words}
                  {mark.text && <bdi>: “{mark.text}”</bdi>}
                </span>{" "}
                {props.onErase && props.mayErase(authorId) && (
                  <TextButton className="text-label" onClick={() => props.onErase?.(id)}>
                    {t("wipe")}
                  </TextButton>
                )}
              </ListItem>
            );
          })}
      </List>
    </details>
  );
}
