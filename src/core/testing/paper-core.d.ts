/** Paper's own types name its core without the ending that Node wants. */
declare module 'paper/dist/paper-core.js' {
  import paper from 'paper';
  export default paper;
}
