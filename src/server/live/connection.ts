import type { StreamEvent, StreamMessages } from "@/contracts";
import type { RoleClass } from "@/core/people";

const encoder = new TextEncoder();

/** One message as the event stream carries it; serialised once for all who get it. */
export function encode<E extends StreamEvent>(event: E, message: StreamMessages[E], seq?: number): Uint8Array {
  const id = seq === undefined ? "" : `id: ${seq}\n`;
  return encoder.encode(`${id}event: ${event}\ndata: ${JSON.stringify(message)}\n\n`);
}

export const keepAlive = encoder.encode(": still here\n\n");

/** Where a stream's bytes go. `false` from `write`: the reader lags too far, the stream is to be dropped. */
export interface Sink {
  write(bytes: Uint8Array): boolean;
  end(): void;
}

/** One open stream of one device. */
export interface LiveConnection {
  readonly connectionId: string;
  readonly ticketId: string;
  roleClass: RoleClass;
  readonly sink: Sink;
}

/** A sink on a web stream. Beyond `lagBytes` unread it is given up. */
export function streamSink(lagBytes = 1_000_000): {
  stream: ReadableStream<Uint8Array>;
  sink: Sink;
  onCancel: (run: () => void) => void;
} {
  let controller: ReadableStreamDefaultController<Uint8Array> | null = null;
  let cancelled: () => void = () => {};
  let isOver = false;
  const over = () => {
    isOver = true;
    cancelled();
  };
  const stream = new ReadableStream<Uint8Array>(
    {
      start: (c) => {
        controller = c;
      },
      cancel: over,
    },
    new ByteLengthQueuingStrategy({ highWaterMark: lagBytes }),
  );
  const sink: Sink = {
    write(bytes) {
      if (isOver || !controller || (controller.desiredSize ?? 0) <= 0) return false;
      controller.enqueue(bytes);
      return true;
    },
    end() {
      if (isOver) return;
      isOver = true;
      controller?.close();
    },
  };
  return { stream, sink, onCancel: (run) => (cancelled = run) };
}
