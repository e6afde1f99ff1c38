/** Reads zips and pictures with decoders that are not the application's. */
import { buffer } from 'node:stream/consumers';
import yauzl from 'yauzl';

/** Every file of a zip by its name; yauzl checks each one's CRC-32 and size. */
export function unzip(data: Buffer): Promise<Map<string, Buffer>> {
  return new Promise((resolve, reject) => {
    yauzl.fromBuffer(data, { lazyEntries: true }, (error, zip) => {
      if (error) return reject(error);
      const files = new Map<string, Buffer>();
      zip.on('error', reject);
      zip.on('end', () => resolve(files));
      zip.on('entry', (entry: yauzl.Entry) =>
        zip.openReadStream(entry, (failure, stream) => {
          if (failure) return reject(failure);
          buffer(stream).then((content) => {
            if (files.has(entry.fileName)) return reject(new Error(`${entry.fileName} is in the zip twice`));
            files.set(entry.fileName, content);
            zip.readEntry();
          }, reject);
        }),
      );
      zip.readEntry();
    });
  });
}
