/** Bytes that crossed to another thread, as the Buffer they were. */
export const asBuffer = (bytes: Uint8Array): Buffer => Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
