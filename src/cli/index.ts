/** The command line and its threads in one bundle; neither loads what the other needs. */
export { main } from './main';

type Work = typeof import('./work');
const work = () => import('./work');

export const develop: Work['develop'] = async (task) => (await work()).develop(task);
export const see: Work['see'] = async (task) => (await work()).see(task);
export const plate: Work['plate'] = async (task) => (await work()).plate(task);
export const render: Work['render'] = async (task) => (await work()).render(task);
