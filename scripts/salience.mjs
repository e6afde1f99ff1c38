/**
 * Fits the network that tells what stands out in a picture to squares of any size: U²-Net (Qin, Zhang, Huang,
 * Dehghan, Zaiane and Jagersand 2020, "U²-Net: Going deeper with nested U-structure for salient object
 * detection", Pattern Recognition 106), the small one, as its authors taught it (Apache-2.0). The package
 * that holds it has nothing else that is used here. It reckons in whole numbers (quantized.mjs).
 *
 * Input `picture`: RGB, 1 × 3 × height × width, sides multiples of 32, each colour less its mean by its spread.
 * Output `salience`, 1 × 1 × height × width, 0…1.
 */
import onnxProto from 'onnx-proto';
import { readFileSync } from 'node:fs';
import { layOut } from './laid-out.mjs';
import { floatsOf, PARTS, tensor, wholeNumbers } from './onnx-parts.mjs';
import { quantized } from './quantized.mjs';

const { ModelProto } = onnxProto.onnx;

const MODEL = new URL('../node_modules/salience-weights/u2netp.onnx', import.meta.url);
const QUANTIZED = new URL('quantized.mjs', import.meta.url);
const RANGES = new URL('salience-ranges.json', import.meta.url);

const sides = [{ dimParam: 'height' }, { dimParam: 'width' }];

/** A convolution of three colours of a fourth, too, which is nothing: in whole numbers it takes half as long. */
function inFour(node, constants) {
  const [picture, kernel, bias] = node.input;
  const [answers, , height, width] = constants.get(kernel).dims.map(Number);
  const own = floatsOf(constants.get(kernel));
  const [three, four] = [3 * height * width, 4 * height * width];
  const values = new Float32Array(answers * four);
  for (let c = 0; c < answers; c++) values.set(own.subarray(c * three, (c + 1) * three), c * four);
  constants.set(kernel, tensor(kernel, [answers, 4, height, width], values));
  constants.set('fourth', wholeNumbers('fourth', [0, 0, 0, 0, 0, 1, 0, 0]));
  return [
    { opType: 'Pad', input: [picture, 'fourth'], output: ['colours'], attribute: [] },
    { ...node, input: ['colours', kernel, bias] },
  ];
}

/** A convolution of nine places with one answer as nine of one place, which are moved and added: floats are reckoned sixteen answers at a time. */
function inNine(node, constants) {
  const [from, kernel, bias] = node.input;
  const channels = Number(constants.get(kernel).dims[1]);
  const own = floatsOf(constants.get(kernel));
  const each = Array.from({ length: 9 * channels }, (_, i) => own[(i % channels) * 9 + Math.floor(i / channels)]);
  const moved = Array.from({ length: 81 }, (_, i) => (i % 10 === 0 ? 1 : 0));
  constants.set('places', tensor('places', [9, channels, 1, 1], each));
  constants.set('moved', tensor('moved', [1, 9, 3, 3], moved));
  return [
    { opType: 'Conv', input: [from, 'places'], output: ['each place'], attribute: [] },
    { ...node, input: ['each place', 'moved', bias] },
  ];
}

/** In floats still. */
export function fitted() {
  const model = ModelProto.decode(readFileSync(MODEL));
  const { graph } = model;
  const makers = new Map(graph.node.map((node) => [node.output[0], node]));
  // The answer is drawn from six, of which the first counts for 0.98. The second says the same in half as many pixels each
  // way, for a quarter of the work; with sides that are multiples of 32 it is exactly half as large.
  const [answer, picture] = [graph.output[0], graph.input.find(({ name }) => !graph.initializer.some((one) => one.name === name))]; // prettier-ignore
  const surely = makers.get(answer.name);
  const second = makers.get(makers.get(makers.get(surely.input[0]).input[0]).input[1]);
  graph.initializer.push(tensor('twice', [4], [1, 1, 2, 2]));
  surely.input = [second.output[0]];

  // Sides that are multiples of 32 are halved five times and doubled again, so that no size has to be worked out.
  for (const node of graph.node.filter(({ opType }) => opType === 'Resize')) node.input.splice(2, 2, 'twice');

  const constants = new Map(graph.initializer.map((one) => [one.name, one]));
  const first = graph.node.find(({ input }) => input[0] === picture.name);
  for (const node of [...inFour(first, constants), ...inNine(makers.get(second.input[0]), constants)])
    makers.set(node.output[0], node);
  graph.initializer = [...constants.values()];

  // Only what the answer needs, in the order in which it is needed.
  const nodes = new Set();
  const visit = (name) => {
    const node = makers.get(name);
    if (!node || nodes.has(node)) return;
    for (const input of node.input) visit(input);
    nodes.add(node);
  };
  visit(answer.name);
  graph.node = [...nodes];
  const used = new Set(graph.node.flatMap(({ input }) => input));
  graph.initializer = graph.initializer.filter(({ name }) => used.has(name));
  for (const node of graph.node) {
    node.input = node.input.map((name) => (name === picture.name ? 'picture' : name));
    node.output = node.output.map((name) => (name === answer.name ? 'salience' : name));
  }
  picture.name = 'picture';
  answer.name = 'salience';
  for (const { type } of [picture, answer]) type.tensorType.shape.dim.splice(2, 2, ...sides);
  Object.assign(graph, { input: [picture], output: [answer], valueInfo: [] });
  return model;
}

/** ONNX that reckons in floats: what the other is measured by. */
export const exact = () => ModelProto.encode(fitted()).finish();

const written = () => ModelProto.encode(quantized(fitted(), JSON.parse(readFileSync(RANGES, 'utf8')))).finish();

/** 1 MB. */
export const layOutSalience = (path) => layOut(path, [import.meta.url, PARTS, QUANTIZED, RANGES], written);
