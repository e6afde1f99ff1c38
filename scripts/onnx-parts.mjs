/** What networks for ONNX Runtime are put together from. */
import onnxProto from 'onnx-proto';

const { AttributeProto, TensorProto } = onnxProto.onnx;
const { FLOAT, INT64 } = TensorProto.DataType;

/** IEEE 754 binary16. */
export function half(bits) {
  const [sign, exponent, fraction] = [bits >> 15 ? -1 : 1, (bits >> 10) & 31, bits & 1023];
  return exponent === 0 ? sign * fraction * 2 ** -24 : sign * (1 + fraction / 1024) * 2 ** (exponent - 15);
}

export const attribute = {
  int: (name, i) => ({ name, type: AttributeProto.AttributeType.INT, i }),
  ints: (name, ints) => ({ name, type: AttributeProto.AttributeType.INTS, ints }),
  string: (name, s) => ({ name, type: AttributeProto.AttributeType.STRING, s: Buffer.from(s) }),
};

export const tensor = (name, dims, values) => ({ name, dims, dataType: FLOAT, rawData: new Uint8Array(Float32Array.from(values).buffer) }); // prettier-ignore

export const wholeNumbers = (name, values) => ({ name, dims: [values.length], dataType: INT64, rawData: new Uint8Array(BigInt64Array.from(values.map(BigInt)).buffer) }); // prettier-ignore

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

/** Padding before and after of a "same" convolution whose input is a multiple of its step. */
export function same(size, step) {
  const all = size - step;
  return [all >> 1, all - (all >> 1)];
}
