/** Paper.js asks a canvas what it can blend when it is loaded; jsdom has canvases without a context. Nothing is drawn in unit tests. */
if (typeof HTMLCanvasElement !== 'undefined') {
  const nothing = () => ({ data: [0, 0, 0, 0] });
  HTMLCanvasElement.prototype.getContext = () => new Proxy({}, { get: () => nothing, set: () => true });
}
