/**
 * Turns the networks that see faces into what ONNX Runtime reads: BlazeFace (Bazarevsky, Kartynnik, Vakunov,
 * Raveendran and Grundmann 2019) for near faces, and as fitted for the full range, which sees small ones and those from
 * the side, too; as the package @mediapipe/face_detection (Apache-2.0) holds them for TensorFlow Lite.
 * Nothing else of the package is used.
 *
 * Input `picture`: RGB −1…1, 1 × 3 × height × width, multiples of 32. Outputs for each grid: how surely its cells see
 * a face, once or oftener (1 × looks × rows × columns, before the sigmoid), and for each such look 16 numbers
 * (1 × 16 looks × rows × columns): the box's middle, width and height, and six points, the eyes first, all from the
 * middle of the cell, in the picture's pixels.
 */
import { ByteBuffer } from 'flatbuffers';
import onnxProto from 'onnx-proto';
import { readFileSync } from 'node:fs';
import { layOut } from './laid-out.mjs';
import { attribute, half, inSixteens, kernelOf, PARTS, same, tensor, value, withZeros } from './onnx-parts.mjs';

const { ModelProto } = onnxProto.onnx;

const PACKAGE = new URL('../node_modules/@mediapipe/face_detection/', import.meta.url);

/** A table of the file; fields by their numbers in TensorFlow Lite's schema (schema.fbs, version 3). */
class Table {
  constructor(bytes, at) {
    Object.assign(this, { bytes, at });
  }
  #field(number) {
    const offset = this.bytes.__offset(this.at, 4 + 2 * number);
    return offset && this.at + offset;
  }
  int(number) {
    const at = this.#field(number);
    return at ? this.bytes.readInt32(at) : 0;
  }
  byte(number) {
    const at = this.#field(number);
    return at ? this.bytes.readInt8(at) : 0;
  }
  text(number) {
    return this.bytes.__string(this.#field(number));
  }
  table(number) {
    return new Table(this.bytes, this.bytes.__indirect(this.#field(number)));
  }
  #each(number, size, read) {
    const at = this.#field(number);
    if (!at) return [];
    const first = this.bytes.__vector(at);
    return Array.from({ length: this.bytes.__vector_len(at) }, (_, i) => read(first + size * i));
  }
  ints(number) {
    return this.#each(number, 4, (at) => this.bytes.readInt32(at));
  }
  octets(number) {
    return Buffer.from(this.#each(number, 1, (at) => this.bytes.readUint8(at)));
  }
  tables(number) {
    return this.#each(number, 4, (at) => new Table(this.bytes, this.bytes.__indirect(at)));
  }
}

/** Fields of the tables that are read. */
const MODEL = { operatorCodes: 1, subgraphs: 2, buffers: 4 };
const OPERATOR_CODE = { old: 0, code: 3 };
const SUBGRAPH = { tensors: 0, inputs: 1, operators: 3 };
const TENSOR = { shape: 0, buffer: 2, name: 3 };
const BUFFER = { data: 0 };
const OPERATOR = { code: 0, inputs: 1, outputs: 2, options: 4 };
const CONVOLUTION_OPTIONS = { padding: 0, step: 1 };

const SAME_PADDING = 0;

/** Operators by their numbers in the schema. */
const ADD = 0;
const JOINED = 2;
const CONVOLUTION = 3;
const DEPTHWISE = 4;
const WIDENED = 6;
const POOL = 17;
const RELU = 19;
const RESHAPED = 22;
const RESIZED = 23;
const PADDED = 34;

/** Of weights that stand by out, height, width and in; those of a depthwise convolution have one out. */
const kernel = ({ shape: [ownOuts, h, w, ownIns], values }, depthwise, ins, outs) =>
  kernelOf(values, { h, w, ownIns, ownOuts, ins, outs, depthwise }, (o, i, y, x) => ((o * h + y) * w + x) * ownIns + i);

/** A model turned; its outputs are tensors of the file by other names. */
function converted({ file, outputs }) {
  const bytes = new ByteBuffer(new Uint8Array(readFileSync(new URL(file, PACKAGE))));
  const model = new Table(bytes, bytes.readInt32(0));
  const codes = model
    .tables(MODEL.operatorCodes)
    .map((code) => Math.max(code.byte(OPERATOR_CODE.old), code.int(OPERATOR_CODE.code)));
  const [graph] = model.tables(MODEL.subgraphs);
  const buffers = model.tables(MODEL.buffers);
  const tensors = graph.tables(SUBGRAPH.tensors).map((one) => ({ name: one.text(TENSOR.name), shape: one.ints(TENSOR.shape), data: () => buffers[one.int(TENSOR.buffer)].octets(BUFFER.data) })); // prettier-ignore
  /** Weights by the number of what they are widened into. */
  const weights = new Map();
  const constants = [];
  const nodes = [];
  const [picture] = graph.ints(SUBGRAPH.inputs);
  /** Tensors that are called otherwise than in the file. */
  const names = new Map([[picture, 'picture']]);
  const nameOf = (i) => names.get(i) ?? outputs[tensors[i].name] ?? tensors[i].name;
  const constant = (one) => {
    constants.push(one);
    return one.name;
  };

  for (const operator of graph.tables(SUBGRAPH.operators)) {
    const [from, second, third] = operator.ints(OPERATOR.inputs);
    const [to] = operator.ints(OPERATOR.outputs);
    const { name, shape } = tensors[to];
    const add = (opType, input, ...attributes) => nodes.push({ opType, input, output: [nameOf(to)], attribute: attributes }); // prettier-ignore
    const code = codes[operator.int(OPERATOR.code)];
    switch (code) {
      case WIDENED: {
        const data = tensors[from].data();
        weights.set(to, { shape, values: Float32Array.from({ length: data.length / 2 }, (_, i) => half(data.readUInt16LE(2 * i))) }); // prettier-ignore
        break;
      }
      case CONVOLUTION:
      case DEPTHWISE: {
        const options = operator.table(OPERATOR.options);
        const channels = from === picture ? tensors[from].shape[3] : inSixteens(tensors[from].shape[3]);
        const answers = outputs[name] ? shape[3] : inSixteens(shape[3]);
        const { dims, values } = kernel(weights.get(second), code === DEPTHWISE, channels, answers);
        const bias = withZeros(weights.get(third).values, answers);
        const step = options.int(CONVOLUTION_OPTIONS.step);
        const [before, after] =
          options.byte(CONVOLUTION_OPTIONS.padding) === SAME_PADDING ? same(dims[2], step) : [0, 0];
        add(
          'Conv',
          [nameOf(from), constant(tensor(`${name}/kernel`, dims, values)), constant(tensor(`${name}/bias`, [answers], bias))], // prettier-ignore
          attribute.ints('strides', [step, step]),
          attribute.ints('pads', [before, before, after, after]),
          attribute.int('group', code === DEPTHWISE ? dims[0] : 1),
        );
        break;
      }
      case ADD:
        add('Add', [nameOf(from), nameOf(second)]);
        break;
      case RELU:
        add('Relu', [nameOf(from)]);
        break;
      case POOL:
        add('MaxPool', [nameOf(from)], attribute.ints('strides', [2, 2]), attribute.ints('kernel_shape', [2, 2]));
        break;
      case PADDED: {
        // Channels that are nothing after those that are: from a convolution, since padding takes blocks of them apart.
        const channels = inSixteens(tensors[from].shape[3]);
        const more = inSixteens(shape[3]) - channels;
        if (more === 0) {
          names.set(to, nameOf(from));
          break;
        }
        const zeros = constant(tensor(`${name}/zeros`, [more, channels, 1, 1], new Float32Array(more * channels)));
        nodes.push({ opType: 'Conv', input: [nameOf(from), zeros], output: [`${name}/nothing`], attribute: [] });
        add('Concat', [nameOf(from), `${name}/nothing`], attribute.int('axis', 1));
        break;
      }
      case RESIZED:
        add('Resize', [nameOf(from), '', constant(tensor(`${name}/twice`, [4], [1, 1, 2, 2]))], attribute.string('mode', 'linear')); // prettier-ignore
        break;
      case RESHAPED:
      case JOINED:
        // Only what was read before.
        break;
      default:
        throw new Error(`A network for faces has an operator that can’t be turned: ${code}.`);
    }
  }
  const channelsOf = (name) => tensors.find((one) => one.name === name).shape[3];
  return ModelProto.encode({
    irVersion: 8,
    opsetImport: [{ domain: '', version: 13 }],
    graph: {
      name: 'faces',
      node: nodes,
      initializer: constants,
      input: [value('picture', [1, 3, 'height', 'width'])],
      output: Object.entries(outputs).map(([name, to]) =>
        value(to, [1, channelsOf(name), `${to} rows`, `${to} columns`]),
      ),
    },
  }).finish();
}

const FULL_RANGE = {
  file: 'face_detection_full_range.tflite',
  outputs: { classifier_face_4: 'face', regressor_face_4: 'places' },
};
const SHORT_RANGE = {
  file: 'face_detection_short_range.tflite',
  outputs: { classificator_8: 'face', regressor_8: 'places', classificator_16: 'largeFace', regressor_16: 'largePlaces' }, // prettier-ignore
};

/** 2 MB and half of that. */
export function layOutFaces(folder) {
  layOut(`${folder}/faces-far.onnx`, [import.meta.url, PARTS], () => converted(FULL_RANGE));
  layOut(`${folder}/faces-near.onnx`, [import.meta.url, PARTS], () => converted(SHORT_RANGE));
}
