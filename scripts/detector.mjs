/**
 * Turns the network that finds things on busy grounds into what ONNX Runtime reads: CenterNet
 * (Zhou, Wang and Krähenbühl 2019, "Objects as points") with a small MobileNet before it, for the
 * 80 kinds of things of COCO, as the package @vladmandic/human holds it (MIT; the package
 * carries no licence text of those who fitted the weights).
 *
 * Input `picture`: RGB 0…255, 1 × 3 × height × width, sides multiples of 32. Outputs at a
 * quarter of that: `thing`, how surely a thing's middle lies there (1 × 1 × …, 0…1), and `sides`, how far
 * its left, top, right and bottom are from there (1 × 4 × …, pixels of the picture).
 */
import onnxProto from 'onnx-proto';
import { readFileSync } from 'node:fs';
import { layOut } from './laid-out.mjs';
import { attribute, half, inSixteens, kernelOf, PARTS, same, tensor, value, withZeros } from './onnx-parts.mjs';

const { ModelProto } = onnxProto.onnx;

/** Couch, bed and table: what things stand on. */
const GROUNDS = [57, 59, 60];
const KINDS = 80;
/** Where it is told how surely each of them is there. */
const CLASSES = ['pointwise_weights', 'biases'].map((name) => `CenternetHead/centernet_cls_output/${name}`);
/** Before the sigmoid. */
const NEVER = -1e4;

const MODELS = new URL('../node_modules/@vladmandic/human/models/', import.meta.url);

/** The weights by their names: kept one after the other, most as halves. */
function weightsOf({ weightsManifest }, bytes) {
  const weights = new Map();
  let at = 0;
  for (const { name, shape, quantization } of weightsManifest.flatMap(({ weights }) => weights)) {
    const count = shape.reduce((a, b) => a * b, 1);
    const values = Float32Array.from({ length: count }, (_, i) =>
      quantization ? half(bytes.readUInt16LE(at + 2 * i)) : bytes.readFloatLE(at + 4 * i),
    );
    weights.set(name, { shape, values });
    at += count * (quantization ? 2 : 4);
  }
  return weights;
}

const text = (base64) => Buffer.from(base64, 'base64').toString();

/** Of weights that stand by height, width, in and out; those of a depthwise convolution have one out. */
const kernel = ({ shape: [h, w, ownIns, ownOuts], values }, depthwise, ins, outs) =>
  kernelOf(values, { h, w, ownIns, ownOuts, ins, outs, depthwise }, (o, i, y, x) => ((y * w + x) * ownIns + i) * ownOuts + o); // prettier-ignore

/** Nodes and constants of everything that the outputs need. */
class Graph {
  nodes = [];
  constants = new Map();
  #seen = new Set();

  constructor(source, weights) {
    this.source = source;
    this.weights = weights;
  }

  constant(name, dims, values) {
    this.constants.set(name, tensor(name, dims, values));
    return name;
  }

  add(opType, input, output, ...attributes) {
    this.nodes.push({ opType, input, output: [output], attribute: attributes });
    return output;
  }

  convolution(name, { op, input, attr }) {
    const [picture, filter, bias] = input;
    const weights = this.weights.get(filter);
    const [channels, answers] = weights.shape.slice(2).map((count) => (count < 16 ? count : inSixteens(count)));
    const { dims, values } = kernel(weights, /Depthwise/.test(op), channels, answers);
    const ins = [this.visit(picture), this.constant(filter, dims, values)];
    if (bias) ins.push(this.constant(bias, [dims[0]], withZeros(this.weights.get(bias).values, dims[0])));
    const [, down, across] = attr.strides.list.i.map(Number);
    const [before, after] = text(attr.padding.s) === 'SAME' ? same(dims[2], down) : [0, 0];
    const then = (attr.fused_ops?.list.s ?? []).map(text).find((fused) => fused !== 'BiasAdd');
    this.add(
      'Conv',
      ins,
      then ? `${name}/before` : name,
      attribute.ints('strides', [down, across]),
      attribute.ints('pads', [before, before, after, after]),
      attribute.int('group', dims[1] === 1 ? dims[0] : 1),
    );
    return then ? this.add(then, [`${name}/before`], name) : name;
  }

  /** A number that is no tensor. */
  #single(reference) {
    const constant = this.weights.get(reference);
    return constant?.values.length === 1 ? constant.values[0] : null;
  }

  /**
   * What lets x through by how large it is, Relu6(x + 3) ÷ 6, is one operator, and with x itself, as swish, nearly one:
   * ONNX Runtime does both as it convolves. (The file has 1 ÷ 6 as a half, 0.1666.)
   */
  multiplied(name, { input: [first, second] }) {
    const six = this.source.get(second);
    if (six?.op !== 'Relu6') return this.add('Mul', [this.visit(first), this.visit(second)], name);
    const sum = this.source.get(six.input[0]);
    const [x] = sum.input.filter((one) => this.#single(one) === null);
    const numbers = [attribute.float('alpha', 1 / 6), attribute.float('beta', 0.5)];
    const shareOf = (to) => this.add('HardSigmoid', [this.visit(x)], to, ...numbers);
    return this.#single(first) === null
      ? this.add('Mul', [this.visit(x), shareOf(`${name}/share`)], name)
      : shareOf(name);
  }

  /** The output's name; nodes come in the order in which they are needed. */
  visit(reference) {
    const name = reference.split(':')[0];
    if (this.#seen.has(name)) return name;
    this.#seen.add(name);
    const node = this.source.get(name);
    const ins = () => node.input.map((one) => this.visit(one));
    if (/Conv2[dD]/.test(node.op)) return this.convolution(name, node);
    switch (node.op) {
      case 'Placeholder':
        return name;
      case 'Const': {
        const { shape, values } = this.weights.get(name);
        return this.constant(name, shape, values);
      }
      case 'Mul':
        return this.multiplied(name, node);
      case 'Add':
      case 'Relu':
      case 'Sigmoid':
      case 'Identity':
        return this.add(node.op, ins(), name);
      case 'Mean':
        return this.add('GlobalAveragePool', [this.visit(node.input[0])], name);
      case 'ConcatV2':
        return this.add('Concat', node.input.slice(0, 2).map((one) => this.visit(one)), name, attribute.int('axis', 1)); // prettier-ignore
      case 'ResizeBilinear':
        return this.add(
          'Resize',
          [this.visit(node.input[0]), '', this.constant('twice', [4], [1, 1, 2, 2])],
          name,
          attribute.string('mode', 'linear'),
          attribute.string('coordinate_transformation_mode', 'asymmetric'),
        );
      default:
        throw new Error(`The detector has a node that can’t be turned: ${node.op}.`);
    }
  }
}

/** Kinds that are not looked for are never sure. */
function withoutGrounds(weights) {
  const [kernels, biases] = CLASSES.map((name) => weights.get(name).values);
  for (const kind of GROUNDS) {
    for (let i = kind; i < kernels.length; i += KINDS) kernels[i] = 0;
    biases[kind] = NEVER;
  }
  return weights;
}

function converted() {
  const model = JSON.parse(readFileSync(new URL('centernet.json', MODELS), 'utf8'));
  const weights = withoutGrounds(weightsOf(model, readFileSync(new URL('centernet.bin', MODELS))));
  const graph = new Graph(new Map(model.modelTopology.node.map((node) => [node.name, node])), weights);
  const input = 'tower_0/images';
  // The surest kind, and of it alone how sure it is.
  const kinds = graph.visit(graph.source.get('tower_0/Sigmoid').input[0]);
  graph.add('ReduceMax', [kinds], 'surest', attribute.ints('axes', [1]), attribute.int('keepdims', 1));
  graph.add('Sigmoid', ['surest'], 'thing');
  graph.add('Identity', [graph.visit('tower_0/wh')], 'sides');
  graph.add('Identity', ['picture'], input);
  // What the first node takes has to come before it.
  graph.nodes.unshift(graph.nodes.pop());
  return ModelProto.encode({
    irVersion: 8,
    opsetImport: [{ domain: '', version: 13 }],
    graph: {
      name: 'detector',
      node: graph.nodes,
      initializer: [...graph.constants.values()],
      input: [value('picture', [1, 3, 'height', 'width'])],
      output: [value('thing', [1, 1, 'down', 'across']), value('sides', [1, 4, 'down', 'across'])],
    },
  }).finish();
}

/** 8 MB. */
export const layOutDetector = (path) => layOut(path, [import.meta.url, PARTS], converted);
