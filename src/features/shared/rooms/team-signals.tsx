import { useTranslations } from "use-intl";
import { signalKinds, type DeskView, type SignalKind } from "@/core/room";

type Seen = Pick<DeskView, "signals">;

/** What the audience signals just now, as rates; nothing where nobody does. */
export function TeamSignals({ view, className }: { view: Seen; className?: string }) {
  const t = useTranslations();
  const given = signalKinds.filter((kind: SignalKind) => view.signals[kind]);
  return (
    <p role="status" aria-label={t("stage.signals")} className={className}>
      {given.length > 0 && <span className="me-4 text-label text-ink-2">{t("signals.label")}</span>}
      {given.map((kind) => (
        <span key={kind} className="me-4">
          {t(`signals.kinds.${kind}`)} <span className="mono">{view.signals[kind]!.count}</span>
        </span>
      ))}
    </p>
  );
}
