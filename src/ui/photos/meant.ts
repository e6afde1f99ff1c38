/** Of what lies in a folder, the files that somebody can have meant. */

/** What systems put beside people's files: hidden ones, among them the doubles that some keep for each file's colours and tags; previews and settings of folders. */
const BESIDE = /^(?:\.[^.].*|thumbs\.db|ehthumbs\.db|desktop\.ini)$/i;

type Dropped = Pick<File, 'name' | 'webkitRelativePath'> & {
  /** With its folders, where it was dropped. */
  readonly path?: string;
};

const pathOf = ({ name, webkitRelativePath, path }: Dropped) => path || webkitRelativePath || name;

/** A file in a hidden folder is hidden itself. */
export const isMeant = (file: Dropped): boolean =>
  !pathOf(file)
    .split('/')
    .some((part) => BESIDE.test(part));
