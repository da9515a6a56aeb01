"use client";
import { Button, toast } from "@/ui";

/** What can be taken along to elsewhere: no person's own link is in any of it. */
export interface CopyTexts {
  readonly invitation: { readonly text: string; readonly html: string };
  readonly link: string;
  readonly dialIn: string | null;
  readonly post: string;
}

async function copy(what: string, text: string, html?: string): Promise<void> {
  try {
    if (html && typeof ClipboardItem !== "undefined")
      await navigator.clipboard.write([
        new ClipboardItem({
          "text/plain": new Blob([text], { type: "text/plain" }),
          "text/html": new Blob([html], { type: "text/html" }),
        }),
      ]);
    else await navigator.clipboard.writeText(text);
    toast(`${what} copied.`);
  } catch {
    toast.error("The browser did not let it be copied. Mark the text and copy it by hand.");
  }
}

/** The invitation, the link, the dial-in or a post for a notice board, for other places. */
export function CopyActs({ texts }: { texts: CopyTexts }) {
  return (
    <div className="flex flex-wrap items-center gap-2 border-t border-rule pt-3">
      <span className="text-label text-ink-2">Copy</span>
      <Button onClick={() => void copy("The invitation", texts.invitation.text, texts.invitation.html)}>
        the invitation
      </Button>
      <Button onClick={() => void copy("The link", texts.link)}>the link</Button>
      {texts.dialIn && <Button onClick={() => void copy("The dial-in", texts.dialIn!)}>the dial-in</Button>}
      <Button onClick={() => void copy("The post", texts.post)}>a post for a notice board</Button>
    </div>
  );
}
