import * as z from 'zod';

/**
 * A change to some fields of a document: any of them, each as its own rule has it. Fields that are left out stay as
 * they are; a schema's own `partial` would fill them with their defaults.
 */
export function changeOf<S extends z.ZodObject>(schema: S): z.ZodType<Partial<z.output<S>>> {
  const fields = Object.entries(schema.shape as Record<string, z.ZodType>).map(([name, field]) => [
    name,
    (field instanceof z.ZodDefault ? (field.unwrap() as z.ZodType) : field).optional(),
  ]);
  return z.strictObject(Object.fromEntries(fields)) as unknown as z.ZodType<Partial<z.output<S>>>;
}
