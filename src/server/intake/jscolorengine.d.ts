/** The part of jscolorengine that the tests use; the package ships no types. */
declare module 'jscolorengine' {
  export class Profile {
    loadBinary(icc: Uint8Array): void;
  }
  export class Transform {
    constructor(options: { dataFormat: 'int8'; buildLut: boolean });
    create(from: Profile, to: Profile | '*srgb', intent: number): void;
    transformArray(samples: Uint8Array): Uint8ClampedArray;
  }
  export const eIntent: { readonly perceptual: number };
}
