/** Networks, run by ONNX Runtime. */
import { InferenceSession } from 'onnxruntime-node';
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** A network, loaded when it is first asked for. */
export function network(path: () => string): () => Promise<InferenceSession> {
  let session: Promise<InferenceSession> | null = null;
  // One thread: the pool has one a core already. Only errors are worth a line.
  return () => (session ??= InferenceSession.create(path(), { intraOpNumThreads: 1, interOpNumThreads: 1, logSeverityLevel: 3 })); // prettier-ignore
}

/** One of those that are made for the bundles (scripts/build-tools.mjs): beside the bundle that this is part of, or in the folder of all. */
export const made = (name: 'detector' | 'salience' | 'faces-near' | 'faces-far') =>
  network(() => {
    const bundled = join(dirname(fileURLToPath(import.meta.url)), `${name}.onnx`);
    return existsSync(bundled) ? bundled : join(/*turbopackIgnore: true*/ process.cwd(), 'dist', `${name}.onnx`);
  });
