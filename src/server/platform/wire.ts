/** Where a stream's bytes go: a socket, or an ear in tests. */
export interface Wire {
  /** bytes written and not yet taken by the network */
  readonly writableLength: number;
  write(bytes: Uint8Array): boolean;
  end(bytes: Uint8Array): void;
}

/** Where a room's stream goes. */
export interface RoomWire extends Wire {
  /** Both in one go, uncopied: a house that comes at once begins with the very same pictures. */
  begin(own: Uint8Array, shared: Uint8Array): void;
}

/** Bytes as one chunk of an HTTP/1.1 body (RFC 9112 §7.1): the same for every socket. */
export const framedBytes = (bytes: Uint8Array): Buffer =>
  Buffer.concat([Buffer.from(`${bytes.length.toString(16)}\r\n`), bytes, Buffer.from("\r\n")]);
export const lastChunk = Buffer.from("0\r\n\r\n");
