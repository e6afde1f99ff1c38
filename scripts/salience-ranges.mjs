/**
 * Writes the least and the greatest that the tensors of the salience network hold on photos (scripts/salience-ranges.json),
 * for its whole numbers. By hand, when the network changes, with none that is only measured (the last are made by
 * `npm run bench -- finder`):
 * `node scripts/salience-ranges.mjs test-photos/astronaut.jpg test-photos/scenes/scene-[1-9][05]-*.jpg
 * test-photos/scenes/scene-2[4-9]*.jpg test-photos/scenes/scene-3[01]*.jpg scratch/composites/tuned-*.jpg`
 */
import onnxProto from 'onnx-proto';
import { InferenceSession } from 'onnxruntime-node';
import { writeFileSync } from 'node:fs';
import { COLOURS, pictureOf } from './salience-picture.mjs';
import { fitted } from './salience.mjs';

const { ModelProto, TensorProto } = onnxProto.onnx;

/**
 * The last of the second stage's inner blocks stays in floats: of its inputs one is always near 228 and weighs a hundred
 * times as much as the others, so that steps that reach its weights would leave nothing of theirs.
 */
const IN_FLOATS = ['1685'];

const model = fitted();
const { graph } = model;
const axisOf = ({ attribute }) => Number(attribute.find(({ name }) => name === 'axis')?.i);
const isWhole = (node) => ['Relu', 'Add'].includes(node.opType) || (node.opType === 'Concat' && axisOf(node) === 1);
const names = graph.node
  .filter(isWhole)
  .map(({ output: [name] }) => name)
  .filter((name) => !IN_FLOATS.includes(name));
graph.output.push(...names.map((name) => ({ name, type: { tensorType: { elemType: TensorProto.DataType.FLOAT } } })));

const session = await InferenceSession.create(ModelProto.encode(model).finish(), { logSeverityLevel: 3 });
// What a photo's colours can be, whatever photos there are.
const ranges = { picture: COLOURS };
for (const path of process.argv.slice(2)) {
  const found = await session.run({ picture: await pictureOf(path) });
  for (const name of names) {
    let [low, high] = ranges[name] ?? [Infinity, -Infinity];
    for (const v of found[name].data) {
      if (v < low) low = v;
      if (v > high) high = v;
    }
    ranges[name] = [low, high];
  }
}
const short = (v) => Number(v.toPrecision(4));
const lines = Object.entries(ranges).map(([name, [low, high]]) => `  "${name}": [${short(low)}, ${short(high)}]`);
writeFileSync(new URL('salience-ranges.json', import.meta.url), `{\n${lines.join(',\n')}\n}\n`);
console.log(`${names.length} tensors of ${process.argv.length - 2} photos`);
