/** Whether a text is a row's id, as they are written (RFC 9562 §4): what is none names nothing, and is not asked for. */
export const isUuid = (text: string | null | undefined): text is string =>
  /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(text ?? "");
