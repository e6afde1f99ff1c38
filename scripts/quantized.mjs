/**
 * A network that reckons in whole numbers of 8 bits where it can, which takes half as long here as in
 * floats (Jacob, Kligys, Chen, Zhu, Tang, Howard, Adam and Kalenichenko 2018, "Quantization and Training of Neural
 * Networks for Efficient Integer-Arithmetic-Only Inference", CVPR): a number stands for (itself − zero) × step,
 * with a step for each tensor, and for the weights of each output channel.
 */
import { constantOf, floatsOf } from './onnx-parts.mjs';

const VALUES = 255;
/** Weights of 7 bits: AVX2 adds two products in 16 bits, where those of weights of 8 would be cut off (from memory). So all processors should come to the same. */
const WEIGHTS = 63;

const MICROSOFT = 'com.microsoft';

/** Weights by output channel, and their steps. */
function inSteps(kernel) {
  const [channels, ...others] = kernel.dims.map(Number);
  const weights = floatsOf(kernel);
  const each = weights.length / channels;
  const steps = new Float32Array(channels);
  const whole = new Int8Array(weights.length);
  for (let c = 0; c < channels; c++) {
    const own = weights.subarray(c * each, (c + 1) * each);
    steps[c] = own.reduce((most, v) => Math.max(most, Math.abs(v)), 1e-6) / WEIGHTS;
    for (let i = 0; i < each; i++) whole[c * each + i] = Math.round(own[i] / steps[c]);
  }
  return { whole, steps, dims: [channels, ...others] };
}

/** The nodes of a network's graph, one after the other in whole numbers or as they were. */
class Quantizer {
  nodes = [];
  /** Tensors in whole numbers, by their names: their names there, their steps, and the names of step and zero. */
  #wholes = new Map();
  /** Tensors in whole numbers that are there in floats, too. */
  #floats = new Set();
  /** Nodes whose work another one does. */
  #done = new Set();

  constructor(graph, ranges) {
    this.ranges = ranges;
    this.constants = new Map(graph.initializer.map((one) => [one.name, one]));
    this.relus = new Map(graph.node.filter(({ opType }) => opType === 'Relu').map((one) => [one.input[0], one]));
  }

  #keep(name, dims, values) {
    this.constants.set(name, constantOf(name, dims, values));
    return name;
  }

  /** A tensor that is in whole numbers from now on, by its own range or as another one. */
  #whole(name, as = this.#ranged(name)) {
    const whole = { ...as, name: `${name} whole` };
    this.#wholes.set(name, whole);
    return whole;
  }

  #ranged(name) {
    const [low, high] = [Math.min(0, this.ranges[name][0]), Math.max(0, this.ranges[name][1])];
    const step = Math.fround(Math.max(high - low, 1e-6) / VALUES);
    const zero = Uint8Array.of(Math.round(-low / step));
    return { step, scale: [this.#keep(`${name} step`, [], Float32Array.of(step)), this.#keep(`${name} zero`, [], zero)] }; // prettier-ignore
  }

  #inWhole(name) {
    const known = this.#wholes.get(name);
    if (known) return known;
    const whole = this.#whole(name);
    this.nodes.push({ opType: 'QuantizeLinear', input: [name, ...whole.scale], output: [whole.name] });
    this.#floats.add(name);
    return whole;
  }

  #inFloats(name) {
    const whole = this.#wholes.get(name);
    if (!whole || this.#floats.has(name)) return name;
    this.nodes.push({ opType: 'DequantizeLinear', input: [whole.name, ...whole.scale], output: [name] });
    this.#floats.add(name);
    return name;
  }

  /** What comes of a convolution, after its Relu: below zero there are no numbers, so that this needs no node. */
  #answerOf({ output: [own] }) {
    return this.relus.get(own)?.output[0] ?? own;
  }

  #convolution(node) {
    const [input, kernel, bias] = node.input;
    const from = this.#inWhole(input);
    const to = this.#whole(this.#answerOf(node));
    const { whole, steps, dims } = inSteps(this.constants.get(kernel));
    const biases = floatsOf(this.constants.get(bias)).map((v, c) => v / (from.step * steps[c]));
    const weights = [
      this.#keep(`${kernel} whole`, dims, whole),
      this.#keep(`${kernel} step`, [dims[0]], steps),
      this.#keep(`${kernel} zero`, [dims[0]], new Int8Array(dims[0])),
    ];
    const added = this.#keep(`${bias} whole`, [dims[0]], Int32Array.from(biases, Math.round));
    const all = [from.name, ...from.scale, ...weights, ...to.scale, added];
    this.nodes.push({ ...node, opType: 'QLinearConv', input: all, output: [to.name] });
    this.#done.add(this.relus.get(node.output[0]));
  }

  /** What takes whole numbers as they are, and answers in the same steps. */
  #same(node) {
    const from = this.#inWhole(node.input[0]);
    const to = this.#whole(node.output[0], from);
    this.nodes.push({ ...node, input: [from.name, ...node.input.slice(1)], output: [to.name] });
  }

  /** With nothing, which is not the number 0 in whole numbers. */
  #padded(node) {
    const from = this.#inWhole(node.input[0]);
    const to = this.#whole(node.output[0], from);
    this.nodes.push({ ...node, input: [from.name, node.input[1], from.scale[1]], output: [to.name] });
  }

  #joined(node) {
    const parts = node.input.map((name) => this.#wholes.get(name)).flatMap(({ name, scale }) => [name, ...scale]);
    const to = this.#whole(node.output[0]);
    const [opType, input] = node.opType === 'Add' ? ['QLinearAdd', [...parts, ...to.scale]] : ['QLinearConcat', [...to.scale, ...parts]]; // prettier-ignore
    this.nodes.push({ ...node, opType, domain: MICROSOFT, input, output: [to.name] });
  }

  add(node) {
    const { opType, input } = node;
    const first = this.#wholes.get(input[0]);
    if (this.#done.has(node)) return;
    if (opType === 'Conv' && this.ranges[this.#answerOf(node)]) this.#convolution(node);
    else if (['MaxPool', 'Resize'].includes(opType) && (first || this.ranges[input[0]])) this.#same(node);
    else if (opType === 'Pad' && this.ranges[input[0]]) this.#padded(node);
    else if (['Add', 'Concat'].includes(opType) && input.every((one) => this.#wholes.has(one))) this.#joined(node);
    else this.nodes.push({ ...node, input: input.map((name) => this.#inFloats(name)) });
  }
}

/**
 * @param model ONNX, of opset 11; its convolutions have biases, and one that a Relu follows is followed by nothing else
 * @param ranges the least and the greatest that each tensor holds, by name; what has none stays in floats
 */
export function quantized(model, ranges) {
  const { graph } = model;
  const quantizer = new Quantizer(graph, ranges);
  for (const node of graph.node) quantizer.add(node);
  graph.node = quantizer.nodes;
  const used = new Set(graph.node.flatMap(({ input }) => input));
  graph.initializer = [...quantizer.constants.values()].filter(({ name }) => used.has(name));
  // Opset 12 takes the greatest of whole numbers, too.
  model.opsetImport = [{ domain: '', version: 12 }, { domain: MICROSOFT, version: 1 }]; // prettier-ignore
  return model;
}
