import { Button, buttonClass } from "@/ui";
import type { EntranceProps } from "./props";

/** A link that was forwarded would make two people one: whoever opens it on a second device is asked. */
export function OtherDevice({ title, name, words, frontDoor, onSame }: EntranceProps & { onSame: () => void }) {
  const { foyer } = words;
  return (
    <main className="mx-auto max-w-xl px-4 py-16">
      <h1 className="text-title font-semibold">
        <bdi>{title}</bdi>
      </h1>
      <p className="mt-3 text-lead">{foyer.otherDevice.replace("{name}", name)}</p>
      <div className="mt-6 flex flex-wrap gap-3">
        <Button weight="act" className="min-h-11 px-6" onClick={onSame}>
          {foyer.itsMe}
        </Button>
        <a href={frontDoor} className={buttonClass("quiet")}>
          {foyer.somebodyElse}
        </a>
      </div>
      <p className="mt-4 text-ink-2">{foyer.somebodyElseMore}</p>
    </main>
  );
}
