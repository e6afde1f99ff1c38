/** XMP in PNG as its specification has it: an uncompressed iTXt chunk (ISO 16684-3, PNG 3rd edition §11.3.3.4). The encoder below us writes zTXt, which many programs don't read. */
import { crc32 } from 'node:zlib';

/** The signature and the header, which comes first. */
const HEADER_END = 8 + 4 + 4 + 13 + 4;

/** Keyword; then not compressed, no method, no language, no translated keyword. */
const KEYWORD = Buffer.from('XML:com.adobe.xmp\0\0\0\0\0', 'latin1');

/** A PNG with an XMP packet after its header. */
export function withXmpChunk(png: Buffer, xmp: string): Buffer {
  const body = Buffer.concat([Buffer.from('iTXt', 'latin1'), KEYWORD, Buffer.from(xmp, 'utf8')]);
  const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
  length.writeUInt32BE(body.length - 4);
  sum.writeUInt32BE(crc32(body));
  return Buffer.concat([png.subarray(0, HEADER_END), length, body, sum, png.subarray(HEADER_END)]);
}
