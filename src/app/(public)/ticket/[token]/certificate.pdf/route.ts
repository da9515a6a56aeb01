import { app } from "@/server/compose";
import { certificateOfHolder } from "@/server/services/afterwards/certificates";
import { holderOf } from "@/server/services/way-in/tickets";
import { pdfResponse } from "../../../../_lib/files";
import { holderLocale } from "../../../../_lib/locale";
import { answer } from "../../../../_lib/request";

export function GET(_request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  return answer(async () => {
    const { context } = await app();
    const holder = await holderOf(context, (await params).token);
    const bytes = await certificateOfHolder(context, holder, await holderLocale(holder.person.locale));
    return pdfResponse(bytes, "certificate.pdf");
  });
}
