import { Refusal } from "@/core/shared";
import { exportContacts } from "@/server/services/people/contacts/export";
import { contactFile } from "@/server/services/people/contacts/person-file";
import { personFileAnswer } from "../../../_lib/person-file-answer";
import { answer, currentMember, isUuid } from "../../../_lib/request";

const types = {
  "contacts.csv": ["csv", "text/csv; charset=utf-8"],
  "contacts.vcf": ["vcf", "text/vcard; charset=utf-8"],
} as const;

/** The contact book as a file; or `person.json?contact={id}`: everything that is kept of one person. */
export function GET(request: Request, { params }: { params: Promise<{ file: string }> }): Promise<Response> {
  return answer(async () => {
    const { context, member } = await currentMember();
    const { file } = await params;
    const contact = new URL(request.url).searchParams.get("contact");
    if (file === "person.json" && isUuid(contact)) return personFileAnswer(await contactFile(context, member, contact));
    if (file !== "contacts.csv" && file !== "contacts.vcf") throw new Refusal({ code: "not-found", what: "file" });
    const [kind, type] = types[file];
    return new Response(
      await exportContacts(context, member, kind, Object.fromEntries(new URL(request.url).searchParams)),
      {
        headers: {
          "content-type": type,
          "content-disposition": `attachment; filename="${file}"`,
          "cache-control": "no-store",
        },
      },
    );
  });
}
