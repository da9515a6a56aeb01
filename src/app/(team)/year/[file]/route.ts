import { Refusal } from "@/core/shared";
import { yearFile } from "@/server/services/overview/year-file";
import { csvResponse, jsonResponse } from "../../../_lib/files";
import { answer, currentMember } from "../../../_lib/request";

export function GET(_request: Request, { params }: { params: Promise<{ file: string }> }): Promise<Response> {
  return answer(async () => {
    const { context, member } = await currentMember();
    const { file } = await params;
    const [, year, kind] = /^(\d{4})\.(csv|json)$/.exec(file) ?? [];
    if (!year) throw new Refusal({ code: "not-found", what: "file" });
    const text = await yearFile(context, member, Number(year), kind as "csv" | "json");
    return kind === "csv" ? csvResponse(text, `year-${file}`) : jsonResponse(text, `year-${file}`);
  });
}
