/** A text file as whoever wrote it meant it: UTF-8, or UTF-16 where it begins with the mark of it, as some loggers do. */
export function textOfBytes(bytes: Uint8Array): string {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return new TextDecoder("utf-16le").decode(bytes);
  if (first === 0xfe && second === 0xff) return new TextDecoder("utf-16be").decode(bytes);
  return new TextDecoder().decode(bytes);
}

export const textOfFile = async (file: Blob): Promise<string> => textOfBytes(new Uint8Array(await file.arrayBuffer()));
