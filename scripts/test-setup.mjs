/** The render worker and the command line run from their bundles: build them once before the tests. */
import { buildTools } from './build-tools.mjs';

export default async function setup() {
  await buildTools();
}
