declare module 'color-blend/unit' {
  type Rgba = { readonly r: number; readonly g: number; readonly b: number; readonly a: number };
  type Mode = (backdrop: Rgba, source: Rgba) => Rgba;
  export const normal: Mode, multiply: Mode, screen: Mode, overlay: Mode, darken: Mode, lighten: Mode;
  export const colorDodge: Mode, colorBurn: Mode, hardLight: Mode, softLight: Mode, difference: Mode, exclusion: Mode;
  export const hue: Mode, saturation: Mode, color: Mode, luminosity: Mode;
}
