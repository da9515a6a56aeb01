import { Refusal } from "@/core/shared";
import { boardFile } from "@/server/services/afterwards/board-files";
import { captionsFile } from "@/server/services/afterwards/caption-files";
import { certificateOfDate } from "@/server/services/afterwards/certificates";
import { dateArchive, dateWorkbook } from "@/server/services/afterwards/date-archive";
import { dateFiles, type DateFile } from "@/server/services/afterwards/date-files";
import { dateFile } from "@/server/services/afterwards/exports";
import {
  csvResponse,
  jsonResponse,
  pdfResponse,
  pictureResponse,
  streamResponse,
  vttResponse,
} from "../../../../../../_lib/files";
import { answer, currentMember } from "../../../../../../_lib/request";

const captionsName = /^captions\.([A-Za-z0-9-]{2,20})\.vtt$/;
const certificateName = /^certificate-([0-9A-Z]{12})\.pdf$/;
const zipType = "application/zip";
const xlsxType = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";
const boardName = /^board-([1-9]\d{0,2})\.(svg|png)$/;

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
    const [, certificate] = certificateName.exec(file) ?? [];
    if (certificate) return pdfResponse(await certificateOfDate(context, member, id, date, certificate), file);
    if (file === "statements.json") return jsonResponse(await dateFile(context, member, id, date, "statements"), file);
    if (file === "report.zip") return streamResponse(await dateArchive(context, member, id, date), file, zipType);
    if (file === "report.xlsx") return streamResponse(await dateWorkbook(context, member, id, date), file, xlsxType);
    const name = file.replace(/\.csv$/, "");
    if (!file.endsWith(".csv") || !(dateFiles as readonly string[]).includes(name))
      throw new Refusal({ code: "not-found", what: "file" });
    return csvResponse(await dateFile(context, member, id, date, name as DateFile), file);
  });
}
