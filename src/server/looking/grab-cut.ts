/** GrabCut as OpenCV has it, in WebAssembly. */
import { cv } from 'opencv-wasm';
import type { GrabCut } from '../../core/sight/busy';

export const grabCut: GrabCut = ({ rgb, width, height }, known, rounds) => {
  const picture = new cv.Mat(height, width, cv.CV_8UC3);
  const mask = new cv.Mat(height, width, cv.CV_8UC1);
  const [ground, subject] = [new cv.Mat(), new cv.Mat()];
  try {
    picture.data.set(rgb);
    mask.data.set(known);
    // Its clusters begin at random: always the same way.
    cv.setRNGSeed(1);
    cv.grabCut(picture, mask, new cv.Rect(0, 0, 1, 1), ground, subject, rounds, cv.GC_INIT_WITH_MASK);
    const out = Uint8Array.from(mask.data as Uint8Array);
    for (let i = 0; i < out.length; i++) out[i]! &= 1;
    return out;
  } catch {
    // It refuses masks without any ground or without any subject.
    return null;
  } finally {
    for (const mat of [picture, mask, ground, subject]) mat.delete();
  }
};
