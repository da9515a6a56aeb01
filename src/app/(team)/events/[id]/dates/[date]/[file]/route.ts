import { Refusal } from "@/core/shared";
import { dateFile, dateFiles, type DateFile } from "@/server/services/afterwards/exports";
import { csvResponse } from "../../../../../../_lib/files";
import { answer, currentMember } from "../../../../../../_lib/request";

export function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string; date: string; file: string }> },
): Promise<Response> {
  return answer(async () => {
    const { context, member } = await currentMember();
    const { id, date, file } = await params;
    const name = file.replace(/\.csv$/, "");
    if (!file.endsWith(".csv") || !(dateFiles as readonly string[]).includes(name))
      throw new Refusal({ code: "not-found", what: "file" });
    return csvResponse(await dateFile(context, member, id, date, name as DateFile), file);
  });
}
