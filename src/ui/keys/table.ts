/** Everything that can be done by a key or by its name: what it does and where. The sheet of keys, the list of actions and the screens all go by this table. */

/** Where a key holds: on the open page, on its wall or its table, or on the easel, which lies over it. */
export type Scope = 'page' | 'wall' | 'easel' | 'table';

export type Entry = {
  readonly scope: Scope;
  /** None where it is only found by its name. As react-hotkeys-hook reads them, by the character that is typed, with Shift or without; `mod` is Ctrl, or ⌘ on a Mac. */
  readonly keys: readonly string[];
  /** As people read them who have no Mac (key-names.ts). */
  readonly shown: string;
  readonly does: string;
  /** The action that opens the panel which can do it. */
  readonly within?: string;
};

const named = (does: string, within?: string) =>
  ({ scope: 'page', keys: [], shown: '', does, ...(within ? { within } : {}) }) as const;

const arrows = (...modifiers: string[]) =>
  ['', ...modifiers].flatMap((modifier) => ['left', 'right', 'up', 'down'].map((key) => modifier + key));

/** Stands between a modifier and its key: no key that is used here. */
export const SPLIT = '_';

export const KEYS = {
  sheet: { scope: 'page', keys: ['?'], shown: '?', does: 'show all keys' },
  undo: { scope: 'page', keys: ['mod_z'], shown: 'Ctrl + Z', does: 'undo the last change, of template or photos' },
  redo: { scope: 'page', keys: ['mod_shift_z', 'mod_y'], shown: 'Ctrl + Shift + Z', does: 'redo what was undone' },
  find: { scope: 'page', keys: ['/'], shown: '/', does: 'find an action by its name' },
  toPhotos: { scope: 'page', keys: ['1'], shown: '1', does: 'go to the step Photos' },
  toTemplate: { scope: 'page', keys: ['2'], shown: '2', does: 'go to the step Template' },
  toCentre: { scope: 'page', keys: ['3'], shown: '3', does: 'go to the step Centre' },
  toCheck: { scope: 'page', keys: ['4'], shown: '4', does: 'go to the step Check' },
  toExport: { scope: 'page', keys: ['5'], shown: '5', does: 'go to the step Export' },
  toWall: { scope: 'page', keys: ['w'], shown: 'W', does: 'go to the cutouts on the wall' },
  toPanel: { scope: 'page', keys: ['r'], shown: 'R', does: 'go to the panel beside them' },
  exportAll: { scope: 'page', keys: ['mod_enter'], shown: 'Ctrl + Enter', does: 'export, on the step Export' },
  finish: { scope: 'page', keys: ['b'], shown: 'B', does: 'show cutouts without and with their finish' },
  toBatches: named('go to Batches'),
  toTemplates: named('go to Templates'),
  toShapes: named('go to Shapes'),
  toDeliveries: named('go to Deliveries'),
  toHelp: named('go to Help'),
  toDoings: named('see who did what'),
  toPeople: named('go to People'),
  newBatch: named('make a new batch'),
  pickPhotos: named('pick photos to bring in', 'toPhotos'),
  pickFolder: named('pick a folder to bring in', 'toPhotos'),
  saveAs: named('save the template under a name', 'toTemplate'),
  savedOnes: named('use a saved template', 'toTemplate'),
  pickShape: named('choose another shape', 'toTemplate'),
  drawShape: named('draw a shape', 'toTemplate'),
  addBorder: named('add a border', 'toTemplate'),
  addTint: named('add a tint', 'toTemplate'),
  addShadow: named('add a shadow', 'toTemplate'),
  addCaption: named('add a caption', 'toTemplate'),
  addBefore: named('put a picture or a paint on top', 'toTemplate'),
  addBehind: named('put the photo, a picture or a paint behind', 'toTemplate'),
  viewEach: named('show every cutout'),
  viewAverage: named('show all cutouts averaged'),
  viewTable: named('show the table of photo data', 'toPhotos'),
  bringTable: named('bring in a table of photo data', 'toPhotos'),
  addField: named('add a field of photo data', 'toPhotos'),
  viewStage: named('show the stage', 'toTemplate'),
  guides: named('show or hide the guides'),
  addOutput: named('add an output', 'toExport'),
  report: named('open the report'),
  go: { scope: 'wall', keys: [...arrows('shift_'), 'home', 'end', 'shift_home', 'shift_end'], shown: '← ↑ → ↓ Home End', does: 'go from photo to photo, with Shift choosing all on the way' },
  chooseAll: { scope: 'wall', keys: ['mod_a'], shown: 'Ctrl + A', does: 'choose all that are shown' },
  chooseNone: { scope: 'wall', keys: ['escape'], shown: 'Esc', does: 'choose none' },
  open: { scope: 'wall', keys: ['enter'], shown: 'Enter', does: 'put the photo on the easel' },
  wallGood: { scope: 'wall', keys: ['g'], shown: 'G', does: 'the chosen photos are good' },
  wallLeave: { scope: 'wall', keys: ['l'], shown: 'L', does: 'leave the chosen photos out' },
  wallLook: { scope: 'wall', keys: ['o'], shown: 'O', does: 'the chosen photos are open again, to look at' },
  remove: { scope: 'wall', keys: ['delete', 'backspace'], shown: 'Delete', does: 'take the chosen photos out of the batch' },
  cell: { scope: 'table', keys: [...arrows('shift_'), 'home', 'end', 'shift_home', 'shift_end', 'pageup', 'pagedown'], shown: '← ↑ → ↓ Home End', does: 'go from cell to cell, with Shift and an arrow choosing all on the way' },
  edit: { scope: 'table', keys: ['enter', 'f2'], shown: 'Enter', does: 'change what the cell says; any letter begins anew' },
  fillDown: { scope: 'table', keys: ['mod_d'], shown: 'Ctrl + D', does: 'fill the first chosen row into those below' },
  clearCells: { scope: 'table', keys: ['delete', 'backspace'], shown: 'Delete', does: 'empty the chosen cells' },
  allCells: { scope: 'table', keys: ['mod_a'], shown: 'Ctrl + A', does: 'choose all cells' },
  nudge: { scope: 'easel', keys: arrows('shift_'), shown: '← ↑ → ↓', does: 'nudge the photo, with Shift ten times as far' },
  larger: { scope: 'easel', keys: ['+', '='], shown: '+', does: 'larger' },
  smaller: { scope: 'easel', keys: ['-'], shown: '−', does: 'smaller' },
  turnLeft: { scope: 'easel', keys: [','], shown: ',', does: 'turn to the left' },
  turnRight: { scope: 'easel', keys: ['.'], shown: '.', does: 'turn to the right' },
  next: { scope: 'easel', keys: ['n', 'pagedown'], shown: 'N', does: 'next photo' },
  back: { scope: 'easel', keys: ['p', 'pageup'], shown: 'P', does: 'photo before' },
  good: { scope: 'easel', keys: ['g'], shown: 'G', does: 'the photo is good' },
  leave: { scope: 'easel', keys: ['l'], shown: 'L', does: 'leave the photo out' },
  look: { scope: 'easel', keys: ['o'], shown: 'O', does: 'the photo is open again, to look at' },
  before: { scope: 'easel', keys: ['b'], shown: 'B', does: 'before and after' },
  trueSize: { scope: 'easel', keys: ['t'], shown: 'T', does: 'true size' },
  pointOut: { scope: 'easel', keys: ['s'], shown: 'S', does: 'point at the subject, or drag the photo again' },
  reset: { scope: 'easel', keys: ['0'], shown: '0', does: 'reset the adjustment' },
  easelUndo: { scope: 'easel', keys: ['mod_z'], shown: 'Ctrl + Z', does: 'undo the last change' },
  easelRedo: { scope: 'easel', keys: ['mod_shift_z', 'mod_y'], shown: 'Ctrl + Shift + Z', does: 'redo it' },
} as const satisfies Readonly<Record<string, Entry>>; // prettier-ignore

export type KeyId = keyof typeof KEYS;

/** What a screen does on its keys. */
export type Handlers = Partial<Record<KeyId, (event: KeyboardEvent) => void>>;

/** What has the focus on the stage answers these itself; they are told here for the sheet. */
export const STAGE_KEYS: readonly Pick<Entry, 'shown' | 'does'>[] = [
  { shown: '← ↑ → ↓', does: 'move what has the focus by 1, with Shift by 10' },
  { shown: 'S C A Delete', does: 'on a point: smooth, corner, add one after it, take it out' },
];

export const entriesOf = (scope: Scope): readonly (readonly [KeyId, Entry])[] =>
  (Object.entries(KEYS) as [KeyId, Entry][]).filter(([, entry]) => entry.scope === scope);
