/** What is used of libheif's C API (heif.h), as Emscripten gives it: pointers are numbers, structures are returned through a first argument. */
declare module 'libheif-js/libheif-wasm/libheif-bundle.js' {
  export type LibHeif = {
    /** The module's memory; another view of it once it has grown. */
    readonly HEAPU8: Uint8Array;
    readonly _malloc: (bytes: number) => number;
    readonly _heif_context_alloc: () => number;
    readonly _heif_context_read_from_memory: (error: number, context: number, bytes: number, length: number, options: 0) => void; // prettier-ignore
    readonly _heif_context_get_primary_image_handle: (error: number, context: number, handle: number) => void;
    readonly _heif_image_handle_get_width: (handle: number) => number;
    readonly _heif_image_handle_get_height: (handle: number) => number;
    readonly _heif_image_handle_has_alpha_channel: (handle: number) => number;
    readonly _heif_image_handle_is_premultiplied_alpha: (handle: number) => number;
    readonly _heif_image_handle_get_color_profile_type: (handle: number) => number;
    readonly _heif_image_handle_get_raw_color_profile_size: (handle: number) => number;
    readonly _heif_image_handle_get_raw_color_profile: (error: number, handle: number, profile: number) => void;
    readonly _heif_image_handle_get_nclx_color_profile: (error: number, handle: number, profile: number) => void;
    readonly _heif_image_handle_get_list_of_metadata_block_IDs: (handle: number, type: number, ids: number, most: number) => number; // prettier-ignore
    readonly _heif_image_handle_get_metadata_type: (handle: number, id: number) => number;
    readonly _heif_image_handle_get_metadata_content_type: (handle: number, id: number) => number;
    readonly _heif_image_handle_get_metadata_size: (handle: number, id: number) => number;
    readonly _heif_image_handle_get_metadata: (error: number, handle: number, id: number, block: number) => void;
    readonly _heif_decode_image: (error: number, handle: number, image: number, space: number, chroma: number, options: 0) => void; // prettier-ignore
    readonly _heif_image_get_decoding_warnings: (image: number, first: number, errors: number, most: number) => number; // prettier-ignore
    readonly _heif_image_get_plane_readonly: (image: number, channel: number, stride: number) => number;
  };
  const start: (options: { print: () => void; printErr: () => void }) => LibHeif;
  export default start;
}
