/** What networks for ONNX Runtime are put together from. */
import onnxProto from 'onnx-proto';

const { AttributeProto, TensorProto } = onnxProto.onnx;
const { FLOAT, INT8, INT32, INT64, UINT8 } = TensorProto.DataType;
const TYPES = new Map([[Float32Array, FLOAT], [Int8Array, INT8], [Int32Array, INT32], [Uint8Array, UINT8], [BigInt64Array, INT64]]); // prettier-ignore

/** This file: what is made by it is made anew when it changes. */
export const PARTS = import.meta.url;

/** IEEE 754 binary16. */
export function half(bits) {
  const [sign, exponent, fraction] = [bits >> 15 ? -1 : 1, (bits >> 10) & 31, bits & 1023];
  return exponent === 0 ? sign * fraction * 2 ** -24 : sign * (1 + fraction / 1024) * 2 ** (exponent - 15);
}

export const attribute = {
  int: (name, i) => ({ name, type: AttributeProto.AttributeType.INT, i }),
  ints: (name, ints) => ({ name, type: AttributeProto.AttributeType.INTS, ints }),
  float: (name, f) => ({ name, type: AttributeProto.AttributeType.FLOAT, f }),
  string: (name, s) => ({ name, type: AttributeProto.AttributeType.STRING, s: Buffer.from(s) }),
};

/** Numbers of whatever kind the typed array is of. */
export const constantOf = (name, dims, values) => ({ name, dims, dataType: TYPES.get(values.constructor), rawData: new Uint8Array(values.buffer) }); // prettier-ignore

export const tensor = (name, dims, values) => constantOf(name, dims, Float32Array.from(values));

export const wholeNumbers = (name, values) => constantOf(name, [values.length], BigInt64Array.from(values.map(BigInt))); // prettier-ignore

/** The numbers of a tensor of floats. */
export const floatsOf = ({ rawData, floatData }) => rawData?.length ? new Float32Array(new Uint8Array(rawData).buffer) : Float32Array.from(floatData); // prettier-ignore

/** What goes in or comes out; sides that are names may be anything. */
export const value = (name, shape) => ({
  name,
  type: {
    tensorType: {
      elemType: FLOAT,
      shape: { dim: shape.map((v) => (typeof v === 'number' ? { dimValue: v } : { dimParam: v })) },
    },
  },
});

/**
 * Channels are added, of nothing but zeros, till there are whole sixteens of them: ONNX Runtime then leaves tensors
 * in blocks of so many from one end of a network to the other, where it takes them apart and together otherwise.
 */
export const inSixteens = (channels) => 16 * Math.ceil(channels / 16);

export const withZeros = (values, length) => [...values, ...new Array(length - values.length).fill(0)];

/**
 * A convolution's weights as out, in, row, column; those of a depthwise one as in, 1, row, column.
 *
 * @param shape rows, columns and channels of `values`, and the channels that there are to be, zeros among them
 * @param placeOf where in `values` a weight stands, by its out, in, row and column
 */
export function kernelOf(values, { h, w, ownIns, ownOuts, ins, outs, depthwise }, placeOf) {
  const dims = depthwise ? [ins, 1, h, w] : [outs, ins, h, w];
  const turned = new Float32Array(dims.reduce((a, b) => a * b));
  for (let o = 0; o < ownOuts; o++)
    for (let i = 0; i < ownIns; i++)
      for (let y = 0; y < h; y++)
        for (let x = 0; x < w; x++)
          turned[((depthwise ? i : o * ins + i) * h + y) * w + x] = values[placeOf(o, i, y, x)];
  return { dims, values: turned };
}

/** Padding before and after of a "same" convolution whose input is a multiple of its step. */
export function same(size, step) {
  const all = size - step;
  return [all >> 1, all - (all >> 1)];
}
