/** The library of own shapes, and which saved templates use what. */
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { inNameOrder } from '../../core/name-order';
import { shapeKey, shapeKeys, shapeSchema, type Shape } from '../../core/shape';
import { tables } from '../db';
import { outlinesOf } from '../geometry';
import { demand, note, type Here } from '../workspace';
import { notFound } from './refusals';
import { listTemplates } from './templates';

const { shapes } = tables;

export const shapeNameSchema = z.string().trim().min(1, { error: 'a shape needs a name' }).max(120);
export const savedShapeSchema = z.strictObject({ name: shapeNameSchema, shape: shapeSchema });

export type UsedBy = { readonly id: number; readonly name: string };
export type OwnShape = {
  readonly id: number;
  readonly name: string;
  readonly shape: Shape;
  readonly savedAt: number;
  readonly usedBy: readonly UsedBy[];
};
export type ShapeLibrary = {
  readonly own: readonly OwnShape[];
  /** By catalogue kind. */
  readonly usedKinds: Readonly<Record<string, readonly UsedBy[]>>;
};

/** Templates by the keys of the shapes in their newest versions. */
async function usage(here: Here): Promise<ReadonlyMap<string, UsedBy[]>> {
  const by = new Map<string, UsedBy[]>();
  for (const { id, name, template } of await listTemplates(here))
    for (const key of new Set(shapeKeys(template.shape))) {
      const users = by.get(key) ?? [];
      users.push({ id, name });
      by.set(key, users);
    }
  return by;
}

/** Every own shape by name, and what uses it and the catalogue's. */
export async function listShapes(here: Here): Promise<ShapeLibrary> {
  const [rows, users] = await Promise.all([here.db.select().from(shapes), usage(here)]);
  const own = inNameOrder(rows, ({ name }) => name).map(({ id, name, document, createdAt }): OwnShape => {
    const shape = document as Shape;
    return { id, name, shape, savedAt: createdAt, usedBy: users.get(shapeKey(shape)) ?? [] };
  });
  const kinds = [...users].filter(([key]) => key.startsWith('kind:')).map(([key, by]) => [key.slice(5), by] as const);
  return { own, usedKinds: Object.fromEntries(kinds) };
}

function nameTaken(name: string): WobrelError {
  return new WobrelError('conflict', `There is a shape called ${name} already; choose another name.`, 'name');
}

async function refuseTaken(here: Here, name: string, butId: number | null): Promise<void> {
  const [row] = await here.db.select({ id: shapes.id }).from(shapes).where(eq(shapes.name, name));
  if (row && row.id !== butId) throw nameTaken(name);
}

/** Keeps a shape under a new name. */
export async function saveShape(
  here: Here,
  { name, shape }: z.output<typeof savedShapeSchema>,
): Promise<{ id: number }> {
  demand(here, 'maker');
  const document = await outlinesOf().shape(shape);
  await refuseTaken(here, name, null);
  const row = await here.write(async (tx) => {
    const [made] = await tx
      .insert(shapes)
      .values({ name, document })
      .onConflictDoNothing()
      .returning({ id: shapes.id });
    if (made) await note(tx, here, { verb: 'made', kind: 'shape', subject: made.id, name });
    return made;
  });
  if (!row) throw nameTaken(name);
  return row;
}

/**
 * Changes name and outline of an own shape.
 *
 * @throws WobrelError `conflict` where a template uses the shape and its outline would change
 */
export async function changeShape(
  here: Here,
  id: number,
  { name, shape }: z.output<typeof savedShapeSchema>,
): Promise<void> {
  demand(here, 'maker');
  const document = await outlinesOf().shape(shape);
  const { own } = await listShapes(here);
  const before = own.find((s) => s.id === id);
  if (!before) throw notFound('shape');
  const [user, ...more] = before.usedBy;
  if (user && shapeKey(document) !== shapeKey(before.shape))
    throw new WobrelError(
      'conflict',
      `${before.name} is used by the template ${user.name}${more.length > 0 ? ` and ${more.length} more` : ''}; save it as a copy.`,
    );
  await refuseTaken(here, name, id);
  await here.write(async (tx) => {
    await tx.update(shapes).set({ name, document }).where(eq(shapes.id, id));
    await note(tx, here, { verb: 'changed', kind: 'shape', subject: id, name });
  });
}

/** Takes a shape out of the library; templates that use it carry their own copy. */
export async function deleteShape(here: Here, id: number): Promise<void> {
  demand(here, 'maker');
  await here.write(async (tx) => {
    const [row] = await tx.delete(shapes).where(eq(shapes.id, id)).returning({ name: shapes.name });
    if (row) await note(tx, here, { verb: 'deleted', kind: 'shape', subject: id, name: row.name });
  });
}
