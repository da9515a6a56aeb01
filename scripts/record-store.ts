import { startRecordStore } from "../src/stand-ins/record-store";

startRecordStore({
  port: Number(process.env["RECORD_STORE_PORT"] ?? 2530),
  userName: "stage-call",
  password: process.env["RECORD_STORE_PASSWORD"] ?? "kept-for-the-demo",
});
