import type { Sent } from "./use-file-upload";

export const megabytes = (bytes: number): string => (bytes / 1e6).toFixed(1);

/** How much of a file has been sent. */
export const UploadProgress = ({ sent, total }: Sent) => (
  <p role="status">
    <progress value={sent} max={total} className="w-64" />{" "}
    <span className="mono">
      {megabytes(sent)} of {megabytes(total)} MB
    </span>
  </p>
);
