/**
 * How far what stands out in photos by the network's whole numbers is from what does by floats: `node scripts/salience-apart.mjs PHOTO…`
 * prints for each the mean difference (of 0…1), and what share of what stands out by either does by both.
 */
import { InferenceSession } from 'onnxruntime-node';
import { fileURLToPath } from 'node:url';
import { pictureOf } from './salience-picture.mjs';
import { exact } from './salience.mjs';

const quiet = { logSeverityLevel: 3 };
const floats = await InferenceSession.create(exact(), quiet);
const wholes = await InferenceSession.create(fileURLToPath(new URL('../dist/salience.onnx', import.meta.url)), quiet);

const apart = [];
for (const path of process.argv.slice(2)) {
  const picture = await pictureOf(path);
  const [a, b] = await Promise.all([floats, wholes].map(async (one) => (await one.run({ picture })).salience.data));
  let [sum, either, both] = [0, 0, 0];
  a.forEach((v, i) => {
    sum += Math.abs(v - b[i]);
    if (v > 0.5 || b[i] > 0.5) either++;
    if (v > 0.5 && b[i] > 0.5) both++;
  });
  apart.push({ path, mean: sum / a.length, pixels: either, same: both / either });
}
console.log(JSON.stringify(apart));
