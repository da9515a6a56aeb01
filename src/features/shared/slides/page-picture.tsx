"use client";
import { useEffect, useState } from "react";
import { useTranslations } from "use-intl";
import { classes } from "@/ui";

/** What is read of a page, or a presenter's notes: a small file under an id of its own. */
export function usePageText(id: string | null): string | null {
  const [read, setRead] = useState<{ readonly id: string; readonly text: string } | null>(null);
  useEffect(() => {
    if (id === null) return;
    let isOver = false;
    void fetch(`/slides/${id}/text`)
      .then((answer) => (answer.ok ? answer.text() : ""))
      .catch(() => "")
      .then((text) => !isOver && setRead({ id, text }));
    return () => {
      isOver = true;
    };
  }, [id]);
  return id !== null && read?.id === id ? read.text : null;
}

/** One page as large as it may be; its text for whoever hears it instead. */
export function PagePicture(props: {
  pictureId: string | null;
  page: number;
  pageCount: number;
  /** small: the narrower picture is enough */
  isSmall?: boolean;
  /** its text is read out where the page turns */
  isRead?: boolean;
  className?: string;
}) {
  const t = useTranslations("slides");
  const text = usePageText(props.isRead ? props.pictureId : null);
  const name = t("page", { page: props.page, count: props.pageCount });
  // a small one that is not there (yet) is an empty sheet: why, is said beside it
  if (props.pictureId === null && props.isSmall)
    return <span aria-hidden className={classes("block", props.className)} />;
  if (props.pictureId === null)
    return (
      <p className={classes("grid place-items-center bg-raised p-4 text-ink-2", props.className)}>
        {name}. {t("pageFailed")}
      </p>
    );
  const at = (width: number) => `/slides/${props.pictureId}/${width}`;
  return (
    <>
      <img
        src={at(props.isSmall ? 800 : 1600)}
        {...(props.isSmall
          ? {}
          : { srcSet: `${at(800)} 800w, ${at(1600)} 1600w`, sizes: "(max-width: 800px) 100vw, 70vw" })}
        alt={name}
        loading={props.isSmall ? "lazy" : "eager"}
        className={classes("object-contain", props.className)}
      />
      {props.isRead && (
        <p className="sr-only" aria-live="polite" dir="auto">
          {text}
        </p>
      )}
    </>
  );
}
