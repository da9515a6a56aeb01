import { sizeText } from "@/features/shared/hand-outs/size-text";
import { Bar } from "@/ui";

/** From this share of the room on it is said in another colour. */
const nearlyFull = 0.9;

/** How much of its room on the disk the organisation uses: recordings, decks, hand-outs and files together. */
export function StoreUse({ space }: { space: { readonly keptBytes: number; readonly limitBytes: number } }) {
  const { keptBytes, limitBytes } = space;
  const words = `${sizeText(keptBytes, "en")} of ${sizeText(limitBytes, "en")} used`;
  return (
    <div className="w-56 text-label text-ink-2">
      <p>{words}, all files together</p>
      <Bar
        value={keptBytes}
        most={limitBytes}
        label={words}
        tone={keptBytes > limitBytes * nearlyFull ? "attention" : "action"}
      />
    </div>
  );
}
