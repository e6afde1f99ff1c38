/**
 * Fits the network that tells what stands out in a picture to squares of any size: U²-Net (Qin, Zhang, Huang,
 * Dehghan, Zaiane and Jagersand 2020, "U²-Net: Going deeper with nested U-structure for salient object
 * detection", Pattern Recognition 106), the small one, as its authors taught it (Apache-2.0). The package
 * that holds it has nothing else that is used here.
 *
 * Input `picture`: RGB, 1 × 3 × height × width, sides multiples of 32, each colour less its mean by its spread.
 * Output `salience`, 1 × 1 × height × width, 0…1.
 */
import onnxProto from 'onnx-proto';
import { readFileSync } from 'node:fs';
import { layOut } from './laid-out.mjs';

const { ModelProto } = onnxProto.onnx;

const MODEL = new URL('../node_modules/salience-weights/u2netp.onnx', import.meta.url);

const sides = [{ dimParam: 'height' }, { dimParam: 'width' }];

function fitted() {
  const model = ModelProto.decode(readFileSync(MODEL));
  const { graph } = model;
  const makers = new Map(graph.node.map((node) => [node.output[0], node]));
  // The answer is drawn from six, of which the first is as large as the picture; the others are enlarged to a size that was written down.
  const [answer, picture] = [graph.output[0], graph.input.find(({ name }) => !graph.initializer.some((one) => one.name === name))]; // prettier-ignore
  const joined = makers.get(makers.get(makers.get(answer.name).input[0]).input[0]);
  const [finest, ...others] = joined.input;
  const size = { opType: 'Shape', input: [finest], output: ['size of the finest'], attribute: [] };
  makers.set(size.output[0], size);
  for (const name of others) makers.get(name).input[3] = size.output[0];

  // Only what the answer needs, in the order in which it is needed; the six themselves are answers, too.
  const nodes = new Set();
  const visit = (name) => {
    const node = makers.get(name);
    if (!node || nodes.has(node)) return;
    for (const input of node.input) visit(input);
    nodes.add(node);
  };
  visit(answer.name);
  graph.node = [...nodes];
  for (const node of graph.node) {
    node.input = node.input.map((name) => (name === picture.name ? 'picture' : name));
    node.output = node.output.map((name) => (name === answer.name ? 'salience' : name));
  }
  picture.name = 'picture';
  answer.name = 'salience';
  for (const { type } of [picture, answer]) type.tensorType.shape.dim.splice(2, 2, ...sides);
  Object.assign(graph, { input: [picture], output: [answer], valueInfo: [] });
  return ModelProto.encode(model).finish();
}

/** 5 MB. */
export const layOutSalience = (path) => layOut(path, import.meta.url, fitted);
