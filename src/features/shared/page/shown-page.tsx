"use client";
import { useEffect, useRef, useState, type UIEvent } from "react";
import { useTranslations } from "use-intl";
import { wholePage, type PageItem } from "@/core/room";
import { classes } from "@/ui";
import { useBox } from "../picture/use-box";

/** Every screen lays the page out this wide and then makes it as large as it has room: all read the same lines. */
const layoutWidth = 1000;
const layoutHeight = 620;

/** How tall a page of this house is, told again whenever it changes. */
function usePageHeight() {
  const frame = useRef<HTMLIFrameElement>(null);
  const [height, setHeight] = useState(layoutHeight);
  const observer = useRef<ResizeObserver | null>(null);
  useEffect(() => () => observer.current?.disconnect(), []);
  const measure = () => {
    const body = frame.current?.contentDocument?.body;
    if (!body) return;
    observer.current?.disconnect();
    observer.current = new ResizeObserver(() => setHeight(Math.max(layoutHeight, Math.ceil(body.scrollHeight))));
    observer.current.observe(body);
  };
  return { frame, height, measure };
}

function Content({ page }: { page: PageItem }) {
  const { frame, height, measure } = usePageHeight();
  // whoever reads along touches nothing of it: the same page is there for themselves beside it
  if (page.kind === "picture") return <img src={page.path} alt={page.title} className="block w-full" />;
  return (
    <iframe
      ref={frame}
      src={page.path}
      title={page.title}
      inert
      tabIndex={-1}
      onLoad={measure}
      className="pointer-events-none block w-full border-0 bg-white"
      style={{ height }}
    />
  );
}

/**
 * A page that everybody reads in step.
 * @param place ten-thousandths of its height that lie above the screen
 * @param onScroll of whoever leads: where their hand is
 */
export function ShownPage(props: { page: PageItem; place: number; onScroll?: (place: number) => void }) {
  const { page, place, onScroll } = props;
  const t = useTranslations("page");
  const { box, size } = useBox<HTMLDivElement>();
  const pane = useRef<HTMLDivElement>(null);
  const scale = (size?.width ?? layoutWidth) / layoutWidth;
  const isLeading = onScroll !== undefined;
  const led = useRef<number | null>(null);
  const { box: inner, size: content } = useBox<HTMLDivElement>();
  const tallness = content?.height ?? layoutHeight;
  useEffect(() => {
    const one = pane.current;
    if (!one) return;
    // whoever leads is where their own hand is: what comes back of it is older
    if (isLeading && led.current === page.shows) return;
    if (isLeading) led.current = page.shows;
    else led.current = null;
    one.scrollTop = (place / wholePage) * one.scrollHeight;
  }, [place, isLeading, tallness, scale, page.shows]);
  const tell = ({ currentTarget }: UIEvent<HTMLDivElement>) =>
    onScroll?.(Math.round((currentTarget.scrollTop / currentTarget.scrollHeight) * wholePage));
  return (
    <div ref={box} dir="ltr">
      <div
        ref={pane}
        role="region"
        aria-label={t(isLeading ? "scrollHere" : "shown", { title: page.title })}
        tabIndex={isLeading ? 0 : -1}
        onScroll={isLeading ? tell : undefined}
        className={classes(
          "border border-rule bg-white",
          isLeading ? "focus-visible:outline-focus overflow-y-scroll focus-visible:outline-2" : "overflow-hidden",
        )}
        style={{ height: layoutHeight * scale }}
      >
        <div className="relative overflow-hidden" style={{ height: tallness * scale }}>
          <div
            ref={inner}
            className="absolute top-0 left-0 origin-top-left"
            style={{ width: layoutWidth, transform: `scale(${scale})` }}
          >
            <Content key={`${page.path} ${page.shows}`} page={page} />
          </div>
        </div>
      </div>
    </div>
  );
}
