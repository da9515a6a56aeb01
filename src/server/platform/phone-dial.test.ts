import { createServer, type IncomingHttpHeaders } from "node:http";
import type { AddressInfo } from "node:net";
import { Webhook } from "standardwebhooks";
import { expect, it } from "vitest";
import { signedDial } from "./phone-dial";

const secret = `whsec_${Buffer.from("a secret of twenty-four bytes").toString("base64")}`;

/** A phone line that answers with this status and keeps what it was asked. */
async function line(status: number) {
  const asked: { headers: IncomingHttpHeaders; body: string }[] = [];
  const server = createServer((request, response) => {
    let body = "";
    request.on("data", (part: Buffer) => (body += part.toString()));
    request.on("end", () => {
      asked.push({ headers: request.headers, body });
      response.writeHead(status).end();
    });
  });
  await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/calls`;
  return { url, asked, close: () => server.close() };
}

it("a phone line is asked by HTTP, signed so that the library of Standard Webhooks believes it", async () => {
  const { url, asked, close } = await line(202);
  await signedDial(url, secret).ring("+442079460188", "an-answer");
  close();
  expect(JSON.parse(asked[0]!.body)).toEqual({ number: "+442079460188", answer: "an-answer" });
  const headers = asked[0]!.headers as Record<string, string>;
  expect(new Webhook(secret).verify(asked[0]!.body, headers)).toEqual(JSON.parse(asked[0]!.body));
  expect(() => new Webhook(secret).verify(`${asked[0]!.body} `, headers)).toThrow();
});

it("a line that does not take the call is an error", async () => {
  const { url, close } = await line(503);
  await expect(signedDial(url, secret).ring("+442079460188", "an-answer")).rejects.toThrow("503");
  close();
});
