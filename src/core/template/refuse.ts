import { WobrelError } from '../errors';

/** @throws WobrelError `template-invalid` with the path of the field at fault */
export const refuse = (at: string, why: string): never => {
  throw new WobrelError('template-invalid', `${at}: ${why}`, at);
};
