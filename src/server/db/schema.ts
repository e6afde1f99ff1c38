/** The tables. Times are milliseconds since 1970; documents are JSON texts. */
import type { Review } from '../../core/checks';
import type { ManifestItem, PlacedItem } from '../../core/export';
import type { PhotoData } from '../../core/fields';
import type { Outline } from '../../core/shape';
import type { OpenFields } from '../../core/template';
import { sql } from 'drizzle-orm';
import { index, integer, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';

const id = () => integer('id').primaryKey({ autoIncrement: true });
/** The shape's outline, worked out once where that takes long: null for catalogue kinds. */
const outline = () => text('outline', { mode: 'json' }).$type<Outline>();
const now = (name: string) => integer(name).notNull().$defaultFn(Date.now);

export const templates = sqliteTable('templates', {
  id: id(),
  name: text('name').notNull().unique(),
  /** Words of people's own that templates are found by. */
  tags: text('tags', { mode: 'json' }).$type<readonly string[]>().notNull().default([]),
  /** What may be changed in batches that use it; null for everything. */
  open: text('open', { mode: 'json' }).$type<OpenFields>(),
  /** Since when it is put away; null while it is in use. */
  archivedAt: integer('archived_at'),
  createdAt: now('created_at'),
});

/** One row a version; a saved version is never changed. */
export const templateVersions = sqliteTable(
  'template_versions',
  {
    id: id(),
    templateId: integer('template_id')
      .notNull()
      .references(() => templates.id, { onDelete: 'cascade' }),
    version: integer('version').notNull(),
    document: text('document', { mode: 'json' }).notNull(),
    outline: outline(),
    /** What whoever saved it says of it. */
    note: text('note'),
    /** Who that was, where people sign in. */
    madeBy: text('made_by'),
    createdAt: now('created_at'),
  },
  (table) => [uniqueIndex('template_versions_number').on(table.templateId, table.version)],
);

/** Own shapes, in the library's size. */
export const shapes = sqliteTable('shapes', {
  id: id(),
  name: text('name').notNull().unique(),
  document: text('document', { mode: 'json' }).notNull(),
  createdAt: now('created_at'),
});

/** Own framings, for a frame whose shorter side is 1080 units. */
export const framings = sqliteTable('framings', {
  id: id(),
  name: text('name').notNull().unique(),
  document: text('document', { mode: 'json' }).notNull(),
  createdAt: now('created_at'),
});

export const batches = sqliteTable('batches', {
  id: id(),
  name: text('name').notNull(),
  /** The template as it stands on the batch, saved under a name or not. */
  draft: text('draft', { mode: 'json' }).notNull(),
  outline: outline(),
  /** Grows by one with each change of the draft. */
  revision: integer('revision').notNull().default(0),
  /** The window that saved last, and which of its saves that was. */
  savedBy: text('saved_by'),
  savedChange: integer('saved_change').notNull().default(0),
  /** Kept by triggers (see the migrations): how many photos there are, and that what is counted below is old. */
  photoCount: integer('photo_count').notNull().default(0),
  /** Of them, how many are left out of exports. */
  outCount: integer('out_count').notNull().default(0),
  /** Grows with every change of its photos. */
  changes: integer('changes').notNull().default(0),
  /** The fields of its photos' data, in the order of their columns. */
  fields: text('fields', { mode: 'json' }).$type<readonly string[]>().notNull().default([]),
  /** Photos spread evenly through the batch, for its card; null from every change until they are chosen again. */
  strip: text('strip', { mode: 'json' }).$type<readonly (number | readonly (number | null)[])[]>(),
  /** Photos to look at; null from every change until they are counted again. */
  findingCount: integer('finding_count'),
  /** The saved version that the draft began from. */
  templateVersionId: integer('template_version_id').references(() => templateVersions.id, { onDelete: 'set null' }),
  createdAt: now('created_at'),
});

export const REVIEWS = ['open', 'good', 'out'] as const satisfies readonly Review[];

/** What was seen in a picture, by its content: once for all batches that hold it. */
export const sights = sqliteTable('sights', {
  sha256: text('sha256').primaryKey(),
  /** Of the finder. */
  version: integer('version').notNull(),
  document: text('document', { mode: 'json' }).notNull(),
});

export const photos = sqliteTable(
  'photos',
  {
    id: id(),
    batchId: integer('batch_id')
      .notNull()
      .references(() => batches.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    /** What it is put in order by (`nameKey`); empty in rows of before there were any, until the next start. */
    nameKey: text('name_key').notNull().default(''),
    sha256: text('sha256').notNull(),
    bytes: integer('bytes').notNull(),
    format: text('format').notNull(),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    hasAlpha: integer('has_alpha', { mode: 'boolean' }).notNull(),
    /** Pointed at by hand: a box or a point, in shares of the photo. */
    handSubject: text('hand_subject', { mode: 'json' }),
    /** A change by hand to the rule's placement. */
    adjustment: text('adjustment', { mode: 'json' }),
    review: text('review', { enum: REVIEWS }).notNull().default('open'),
    /** What its batch's fields say of it; fields that were taken away may still stand here. */
    data: text('data', { mode: 'json' }).$type<PhotoData>().notNull().default({}),
    addedAt: now('added_at'),
  },
  (table) => [
    uniqueIndex('photos_content').on(table.batchId, table.sha256),
    index('photos_name').on(table.batchId, table.nameKey, table.name, table.id),
    index('photos_picture').on(table.sha256),
  ],
);

/** Pictures that templates show, by their content. */
export const pictures = sqliteTable('pictures', {
  sha256: text('sha256').primaryKey(),
  name: text('name').notNull(),
  width: integer('width').notNull(),
  height: integer('height').notNull(),
  addedAt: now('added_at'),
});

/** Files that were not taken, and why. */
export const refusals = sqliteTable(
  'refusals',
  {
    id: id(),
    batchId: integer('batch_id')
      .notNull()
      .references(() => batches.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    code: text('code').notNull(),
    message: text('message').notNull(),
    at: now('at'),
  },
  (table) => [index('refusals_batch').on(table.batchId, table.id)],
);

export const DELIVERY_STATES = ['waiting', 'running', 'done', 'cancelled', 'failed'] as const;
export type DeliveryState = (typeof DELIVERY_STATES)[number];

export const deliveries = sqliteTable(
  'deliveries',
  {
    id: id(),
    batchId: integer('batch_id').references(() => batches.id, { onDelete: 'set null' }),
    batchName: text('batch_name').notNull(),
    document: text('document', { mode: 'json' }).notNull(),
    outline: outline(),
    /** The saved version that the template began from; null where there was none. */
    templateVersion: integer('template_version'),
    /** Whether the batch had changed it since. */
    templateChanged: integer('template_changed', { mode: 'boolean' }).notNull().default(false),
    state: text('state', { enum: DELIVERY_STATES }).notNull().default('waiting'),
    /** Why it failed, in a sentence. */
    message: text('message'),
    photoCount: integer('photo_count').notNull(),
    fileCount: integer('file_count').notNull(),
    /** Who exported it, where people sign in. */
    madeBy: text('made_by'),
    createdAt: now('created_at'),
    finishedAt: integer('finished_at'),
  },
  (table) => [index('deliveries_batch').on(table.batchId, table.id)],
);

/** A photo in its slot, as it was when the delivery began. */
export type SlotThen = {
  readonly photo: string;
  readonly sha256: string;
  readonly width: number;
  readonly height: number;
  readonly hasAlpha: boolean;
  readonly seen: unknown;
  /** True where it only stands in for a photo that is missing. */
  readonly standsIn: boolean;
};

/** One cutout of a delivery, of one photo or of several: the unit of work. */
export const deliveryPhotos = sqliteTable(
  'delivery_photos',
  {
    id: id(),
    deliveryId: integer('delivery_id')
      .notNull()
      .references(() => deliveries.id, { onDelete: 'cascade' }),
    /** Of a cutout of several photos its group's name; what follows is then of the first of them. */
    photo: text('photo').notNull(),
    sha256: text('sha256').notNull(),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    hasAlpha: integer('has_alpha', { mode: 'boolean' }).notNull(),
    /** One a slot, null where a slot has none; null where the template has no slots. */
    slots: text('slots', { mode: 'json' }).$type<readonly (SlotThen | null)[]>(),
    /** What its batch's fields said of it when the delivery began. */
    data: text('data', { mode: 'json' }).$type<PhotoData>(),
    /** What placed it: sight, subject by hand, adjustment, as they were when the delivery began. */
    seen: text('seen', { mode: 'json' }),
    state: text('state', { enum: ['waiting', 'done', 'failed'] })
      .notNull()
      .default('waiting'),
    error: text('error'),
    /** Where it came to lie, known once it is done. */
    placed: text('placed', { mode: 'json' }).$type<PlacedItem>(),
  },
  (table) => [
    index('delivery_photos_delivery').on(table.deliveryId, table.id),
    index('delivery_photos_state').on(table.deliveryId, table.state, table.id),
    index('delivery_photos_picture').on(table.sha256),
    index('delivery_photos_slots')
      .on(table.id)
      .where(sql`${table.slots} is not null`),
  ],
);

/** Sums of what a file's bytes depend on: of the same parts come the same bytes. */
export type Recipe = {
  /** The pictures themselves. */
  readonly photo: string;
  /** What was seen in them, and what was changed by hand. */
  readonly placement: string;
  /** The template but for its outputs, and the program that renders. */
  readonly template: string;
  /** Size, format, quality and the like. */
  readonly output: string;
  /** What captions and metadata say. */
  readonly text: string;
};

/** One file of a delivery; what is known only once it is written is null before. */
export const deliveryFiles = sqliteTable(
  'delivery_files',
  {
    id: id(),
    deliveryId: integer('delivery_id')
      .notNull()
      .references(() => deliveries.id, { onDelete: 'cascade' }),
    deliveryPhotoId: integer('delivery_photo_id')
      .notNull()
      .references(() => deliveryPhotos.id, { onDelete: 'cascade' }),
    output: text('output').notNull(),
    /** Place of the output in the template. */
    outputIndex: integer('output_index').notNull(),
    file: text('file').notNull(),
    width: integer('width'),
    height: integer('height'),
    bytes: integer('bytes'),
    sha256: text('sha256'),
    /** What its bytes depend on, part by part, in short sums (see services/recipes.ts). */
    recipe: text('recipe', { mode: 'json' }).$type<Recipe>(),
    /** The file of an earlier delivery that it is byte for byte; null where it was made. */
    takenFrom: integer('taken_from'),
    /** What its limit of bytes left of its quality. */
    quality: integer('quality'),
    findings: text('findings', { mode: 'json' }).$type<ManifestItem['findings']>(),
  },
  (table) => [
    uniqueIndex('delivery_files_name').on(table.deliveryId, table.file),
    index('delivery_files_delivery').on(table.deliveryId, table.id),
    index('delivery_files_photo').on(table.deliveryPhotoId),
    index('delivery_files_taken_from').on(table.takenFrom),
  ],
);

/** A delivery's files on their way to a destination. */
export const uploads = sqliteTable(
  'uploads',
  {
    id: id(),
    deliveryId: integer('delivery_id')
      .notNull()
      .references(() => deliveries.id, { onDelete: 'cascade' }),
    /** Its name in the list of destinations. */
    destination: text('destination').notNull(),
    /** Whether files there that came from elsewhere may be replaced. */
    replace: integer('replace', { mode: 'boolean' }).notNull(),
    state: text('state', { enum: DELIVERY_STATES }).notNull().default('waiting'),
    /** Why it stopped, in a sentence. */
    message: text('message'),
    createdAt: now('created_at'),
    finishedAt: integer('finished_at'),
  },
  (table) => [index('uploads_delivery').on(table.deliveryId, table.id)],
);

export const UPLOAD_FILE_STATES = ['waiting', 'sent', 'kept', 'refused'] as const;

/** One file of an upload. */
export const uploadFiles = sqliteTable(
  'upload_files',
  {
    id: id(),
    uploadId: integer('upload_id')
      .notNull()
      .references(() => uploads.id, { onDelete: 'cascade' }),
    deliveryFileId: integer('delivery_file_id')
      .notNull()
      .references(() => deliveryFiles.id, { onDelete: 'cascade' }),
    /** Its name at the destination. */
    name: text('name').notNull(),
    state: text('state', { enum: UPLOAD_FILE_STATES }).notNull().default('waiting'),
    /** Why it was refused, in a sentence. */
    message: text('message'),
  },
  (table) => [
    index('upload_files_state').on(table.uploadId, table.state, table.id),
    index('upload_files_file').on(table.deliveryFileId),
  ],
);

/** What lies at the destinations that came from here; kept whatever becomes of its delivery. */
export const arrivals = sqliteTable(
  'arrivals',
  {
    id: id(),
    destination: text('destination').notNull(),
    name: text('name').notNull(),
    /** As the destination tells one content from another. */
    version: text('version').notNull(),
  },
  (table) => [uniqueIndex('arrivals_name').on(table.destination, table.name)],
);

/** Work to be done that outlives the process. */
export const jobs = sqliteTable(
  'jobs',
  {
    id: id(),
    kind: text('kind').notNull(),
    /** The row the job is about. */
    subject: integer('subject').notNull(),
    state: text('state', { enum: ['waiting', 'running'] })
      .notNull()
      .default('waiting'),
    createdAt: now('created_at'),
  },
  (table) => [index('jobs_state').on(table.state, table.id), uniqueIndex('jobs_subject').on(table.kind, table.subject)],
);

export const VERBS = [
  'made',
  'renamed',
  'changed',
  'deleted',
  'worked',
  'added-photos',
  'changed-photos',
  'removed-photos',
  'applied',
  'saved-version',
  'exported',
  'cancelled',
  'resumed',
  'turned-on',
  'gave-role',
  'gave-link',
  'signed-out',
  'removed',
] as const;

export const KINDS = [
  'batch',
  'template',
  'shape',
  'framing',
  'picture',
  'delivery',
  'upload',
  'person',
  'token',
  'workspace',
] as const;

/** Who did what: one line a change; what it was done to may be gone. */
export const doings = sqliteTable(
  'doings',
  {
    id: id(),
    /** When it was last done, of what goes on and on. */
    at: integer('at').notNull(),
    /** The person, where people sign in. */
    person: text('person'),
    /** Their name then. */
    who: text('who').notNull(),
    verb: text('verb', { enum: VERBS }).notNull(),
    kind: text('kind', { enum: KINDS }).notNull(),
    /** The number of what it was done to. */
    subject: integer('subject'),
    /** What that was called then. */
    name: text('name').notNull(),
    /** What else is to be said of it. */
    words: text('words'),
    times: integer('times').notNull().default(1),
  },
  (table) => [
    index('doings_subject').on(table.kind, table.subject, table.id),
    index('doings_at').on(table.at, table.id),
    index('doings_who').on(table.who, table.at),
  ],
);
