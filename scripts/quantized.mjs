/**
 * A network that reckons in whole numbers of 8 bits where it can, which processors do two to four times as fast as in
 * floats (Jacob, Kligys, Chen, Zhu, Tang, Howard, Adam and Kalenichenko 2018, "Quantization and Training of Neural
 * Networks for Efficient Integer-Arithmetic-Only Inference", CVPR): a number stands for (itself − zero) × step,
 * with a step for each tensor, and for the weights of each output channel.
 */
import { constantOf, floatsOf } from './onnx-parts.mjs';

const VALUES = 255;
/** Weights of 7 bits: AVX2 adds two products in 16, where those of 8 bits would be cut off. So all processors come to the same. */
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

/**
 * @param model ONNX, of opset 11; its convolutions have biases, and one that a Relu follows is followed by nothing else
 * @param ranges the least and the greatest that each tensor holds, by name; what has none stays in floats
 */
export function quantized(model, ranges) {
  const { graph } = model;
  const constants = new Map(graph.initializer.map((one) => [one.name, one]));
  const nodes = [];
  const keep = (name, dims, values) => {
    constants.set(name, constantOf(name, dims, values));
    return name;
  };

  /** Of each tensor in whole numbers: its name there, its step, and the names of step and zero. */
  const wholes = new Map();
  const floats = new Set();
  const ranged = (name) => {
    const [low, high] = ranges[name].map((v, i) => (i === 0 ? Math.min(0, v) : Math.max(0, v)));
    const step = Math.fround(Math.max(high - low, 1e-6) / VALUES);
    const scale = [keep(`${name} step`, [], Float32Array.of(step)), keep(`${name} zero`, [], Uint8Array.of(Math.round(-low / step)))]; // prettier-ignore
    return { name: `${name} whole`, step, scale };
  };
  const answer = (name, as = ranged(name)) => {
    wholes.set(name, { ...as, name: `${name} whole` });
    return wholes.get(name);
  };
  /** A tensor in whole numbers, and in floats. */
  const inWhole = (name) => {
    if (!wholes.has(name)) {
      const { name: whole, scale } = answer(name);
      nodes.push({ opType: 'QuantizeLinear', input: [name, ...scale], output: [whole] });
      floats.add(name);
    }
    return wholes.get(name);
  };
  const inFloats = (name) => {
    if (wholes.has(name) && !floats.has(name)) {
      const { name: whole, scale } = wholes.get(name);
      nodes.push({ opType: 'DequantizeLinear', input: [whole, ...scale], output: [name] });
      floats.add(name);
    }
    return name;
  };

  const relus = new Map(graph.node.filter(({ opType }) => opType === 'Relu').map((one) => [one.input[0], one]));
  const done = new Set();
  /** What comes of a convolution, after its Relu: numbers below zero's are none, so that it needs no node. */
  const answerOf = ({ output: [own] }) => relus.get(own)?.output[0] ?? own;

  function convolution(node) {
    const [input, kernel, bias] = node.input;
    const from = inWhole(input);
    const to = answer(answerOf(node));
    const { whole, steps, dims } = inSteps(constants.get(kernel));
    const biases = floatsOf(constants.get(bias)).map((v, c) => v / (from.step * steps[c]));
    const weights = [
      keep(`${kernel} whole`, dims, whole),
      keep(`${kernel} step`, [dims[0]], steps),
      keep(`${kernel} zero`, [dims[0]], new Int8Array(dims[0])),
    ];
    const added = keep(`${bias} whole`, [dims[0]], Int32Array.from(biases, Math.round));
    nodes.push({ ...node, opType: 'QLinearConv', input: [from.name, ...from.scale, ...weights, ...to.scale, added], output: [to.name] }); // prettier-ignore
    done.add(relus.get(node.output[0]));
  }

  /** As it was, but of whole numbers: of the first input, or of all with their steps. */
  function same(node) {
    const from = inWhole(node.input[0]);
    nodes.push({ ...node, input: [from.name, ...node.input.slice(1)], output: [answer(node.output[0], from).name] });
  }
  function joined(node) {
    const parts = node.input.flatMap((name) => [wholes.get(name).name, ...wholes.get(name).scale]);
    const to = answer(node.output[0]);
    const [opType, input] = node.opType === 'Add' ? ['QLinearAdd', [...parts, ...to.scale]] : ['QLinearConcat', [...to.scale, ...parts]]; // prettier-ignore
    nodes.push({ ...node, opType, domain: MICROSOFT, input, output: [to.name] });
  }

  for (const node of graph.node) {
    const { opType, input } = node;
    const first = wholes.get(input[0]);
    if (done.has(node)) continue;
    if (opType === 'Conv' && ranges[answerOf(node)]) convolution(node);
    else if (['MaxPool', 'Resize'].includes(opType) && (first || ranges[input[0]])) same(node);
    else if (first && opType === 'Shape') nodes.push({ ...node, input: [first.name] });
    else if (input.length > 1 && ['Add', 'Concat'].includes(opType) && input.every((one) => wholes.has(one)))
      joined(node); // prettier-ignore
    else nodes.push({ ...node, input: input.map(inFloats) });
  }

  const used = new Set(nodes.flatMap(({ input }) => input));
  graph.node = nodes;
  graph.initializer = [...constants.values()].filter(({ name }) => used.has(name));
  // Opset 12 takes the greatest of whole numbers, too.
  model.opsetImport = [
    { domain: '', version: 12 },
    { domain: MICROSOFT, version: 1 },
  ];
  return model;
}
