import { Refusal } from "@/core/shared";
import { boardFile } from "@/server/services/afterwards/board-files";
import { captionsFile } from "@/server/services/afterwards/caption-files";
import { dateFile, dateFiles, type DateFile } from "@/server/services/afterwards/exports";
import { csvResponse, pictureResponse, vttResponse } from "../../../../../../_lib/files";
import { answer, currentMember } from "../../../../../../_lib/request";

const captionsName = /^captions\.([A-Za-z0-9-]{2,20})\.vtt$/;
const boardName = /^board-([1-9]\d?)\.(svg|png)$/;

export function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string; date: string; file: string }> },
): Promise<Response> {
  return answer(async () => {
    const { context, member } = await currentMember();
    const { id, date, file } = await params;
    const [, number, kind] = boardName.exec(file) ?? [];
    if (kind === "svg" || kind === "png") {
      const bytes = await boardFile(context, member, id, date, { number: Number(number), kind });
      return pictureResponse(bytes, file, kind === "svg" ? "image/svg+xml" : "image/png");
    }
    const [, language] = captionsName.exec(file) ?? [];
    if (language) return vttResponse(await captionsFile(context, member, id, date, language), file);
    const name = file.replace(/\.csv$/, "");
    if (!file.endsWith(".csv") || !(dateFiles as readonly string[]).includes(name))
      throw new Refusal({ code: "not-found", what: "file" });
    return csvResponse(await dateFile(context, member, id, date, name as DateFile), file);
  });
}
